import fc from "fast-check";
import { expect, test } from "vitest";
import { shareOut } from "./share-out";

test("everybody gets as much as everybody else, and nothing is judged twice by one", () => {
  fc.assert(
    fc.property(
      fc.nat(60),
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 9 }),
      (things, people, each) => {
        const shares = shareOut(things, people, each);
        expect(shares).toHaveLength(things);
        const loads = Array.from(
          { length: people },
          (_, one) => shares.filter((its) => its.includes(one)).length,
        );
        expect(Math.max(...loads) - Math.min(...loads)).toBeLessThanOrEqual(1);
        for (const share of shares) {
          expect(new Set(share).size).toBe(Math.min(each, people));
          expect([...share].sort((a, b) => a - b)).toEqual(share);
        }
      },
    ),
  );
});

test("pairs are mixed: of four people in twelve things every two meet twice", () => {
  const pairs = new Map<string, number>();
  for (const share of shareOut(12, 4, 2)) pairs.set(share.join(), (pairs.get(share.join()) ?? 0) + 1);
  expect([...pairs.values()].sort()).toEqual([2, 2, 2, 2, 2, 2]);
});
