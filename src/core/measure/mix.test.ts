import { expect, test } from "vitest";
import { hill, shannon, simpson } from "./diversity";
import { mixOf } from "./mix";

test("equal parts are as mixed as they are many, one alone as one, and nothing as nothing", () => {
  for (const order of [0, 1, 2] as const) {
    expect(hill([5, 5, 5, 5], order)).toBeCloseTo(4);
    expect(hill([7, 0], order)).toBe(1);
    expect(hill([], order)).toBe(0);
  }
  expect(shannon([3])).toBe(0);
  expect([simpson([1]), simpson([4]), simpson([1, 1])]).toEqual([null, 1, 0]);
});

test("what nobody knows is told and not mixed; years stand in their order, the rest by how many there are", () => {
  const years = [
    { value: "", count: 4 },
    { value: "2025", count: 5 },
    { value: "2019", count: 1 },
  ];
  expect(mixOf(years, "year")).toMatchObject({
    shares: [
      { value: "2019", count: 1 },
      { value: "2025", count: 5 },
    ],
    ...{ unknown: 4, more: 0 },
  });
  const sites = Array.from({ length: 40 }, (_, i) => ({ value: `${i}.example`, count: i + 1 }));
  const { shares, more } = mixOf(sites, "site");
  expect([shares.length, shares[0]!.count, more]).toEqual([25, 40, 15]);
});
