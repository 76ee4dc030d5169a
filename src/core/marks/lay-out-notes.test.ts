import fc from "fast-check";
import { expect, it } from "vitest";
import { layOutNotes } from "./lay-out-notes";

const notes = fc
  .array(fc.record({ top: fc.integer({ min: 0, max: 5_000 }), height: fc.integer({ min: 10, max: 300 }) }), {
    maxLength: 60,
  })
  .map((all) => all.toSorted((a, b) => a.top - b.top));

it("lets no note cover another, whichever is chosen, and the chosen one stands beside its passage", () => {
  fc.assert(
    fc.property(notes, fc.integer({ min: -1, max: 59 }), (all, chosen) => {
      const tops = layOutNotes(all, 8, chosen);
      for (let i = 1; i < all.length; i++)
        expect(tops[i]! - tops[i - 1]! - all[i - 1]!.height).toBeGreaterThanOrEqual(8 - 1e-6);
      if (chosen >= 0 && chosen < all.length) expect(tops[chosen]).toBe(all[chosen]!.top);
      else expect(tops.every((top) => top >= 0)).toBe(true);
    }),
  );
});

it("moves nothing that has room, and shares what must move among those that are in each other's way", () => {
  expect(
    layOutNotes(
      [
        { top: 0, height: 40 },
        { top: 100, height: 40 },
      ],
      10,
    ),
  ).toEqual([0, 100]);
  expect(
    layOutNotes(
      [
        { top: 100, height: 40 },
        { top: 100, height: 40 },
      ],
      10,
    ),
  ).toEqual([75, 125]);
});
