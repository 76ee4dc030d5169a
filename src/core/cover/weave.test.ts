import fc from "fast-check";
import { expect, test } from "vitest";
import { KINDS } from "../page/facts";
import { sharesOf } from "./shares";
import { clothSvg, representatives, weave, type Yarn } from "./weave";

const yarn: fc.Arbitrary<Yarn> = fc.record({
  kind: fc.constantFrom(...KINDS),
  minutes: fc.option(fc.integer({ min: 0, max: 600 })),
  tag: fc.option(fc.constantFrom("moss", "water table", "fire", "fen", "peat core", "birds", "dams")),
});
const tags = fc.array(fc.string({ maxLength: 20 }), { maxLength: 5 });

test("shares are by weight to the nearest, each at least one, all together what there is", () => {
  expect(sharesOf([1, 1, 8], 10)).toEqual([1, 1, 8]);
  expect(sharesOf([1, 1, 98], 5)).toEqual([1, 1, 3]);
  expect(sharesOf([5], 7)).toEqual([7]);
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 64 }),
      fc.nat(100),
      (weights, more) => {
        const parts = weights.length + more;
        const shares = sharesOf(weights, parts);
        expect(shares.reduce((sum, one) => sum + one, 0)).toBe(parts);
        expect(Math.min(...shares)).toBeGreaterThanOrEqual(1);
        // Whoever weighs more has no less.
        weights.forEach((weight, i) =>
          weights.forEach(
            (other, j) => weight > other && expect(shares[i]).toBeGreaterThanOrEqual(shares[j]!),
          ),
        );
      },
    ),
  );
});

test("up to 64 items each shows at 264 pixels and more, in order, and looks other than its neighbours", () => {
  fc.assert(
    fc.property(
      fc.array(yarn, { minLength: 1, maxLength: 64 }),
      tags,
      fc.integer({ min: 264, max: 1_200 }),
      (yarns, tags, width) => {
        const { warp } = weave(yarns, tags, width, 96);
        expect([...new Set(warp.map((thread) => thread.item))]).toEqual([...yarns.keys()]);
        warp.slice(1).forEach((thread, i) => {
          const before = warp[i]!;
          if (before.item !== thread.item)
            expect([thread.kind, thread.structure]).not.toEqual([before.kind, before.structure]);
        });
      },
    ),
  );
});

test("at 24 pixels every kind shows, in proportion to its minutes", () => {
  fc.assert(
    fc.property(fc.array(yarn, { minLength: 7, maxLength: 300 }), (yarns) => {
      const { warp } = weave(yarns, [], 24, 24);
      const minutes = (some: readonly Yarn[]) =>
        some.reduce((sum, one) => sum + Math.min(60, Math.max(1, one.minutes ?? 3)), 0);
      const kinds = [...new Set(yarns.map((one) => one.kind))];
      const shown = (kind: string) => warp.filter((thread) => thread.kind === kind).length;
      for (const kind of kinds) expect(shown(kind)).toBeGreaterThanOrEqual(1);
      for (const a of kinds)
        for (const b of kinds)
          if (
            minutes(yarns.filter((one) => one.kind === a)) >
            minutes(yarns.filter((one) => one.kind === b)) * 2
          )
            expect(shown(a)).toBeGreaterThanOrEqual(shown(b));
    }),
  );
});

test("threads are of one fineness, fill the width, and over three hundred items stand representatives of all kinds", () => {
  for (const width of [24, 104, 264, 700, 1_200]) {
    const { warp, pitch } = weave([{ kind: "page", minutes: 5 }], ["moss"], width, 44);
    expect(pitch).toBeGreaterThanOrEqual(3);
    expect(pitch).toBeLessThan(4.2);
    expect(warp.at(-1)!.x + pitch / 2).toBeLessThanOrEqual(width);
  }
  const many = Array.from({ length: 300 }, (_, i): Yarn => ({
    kind: i === 211 ? "sound" : "page",
    minutes: 1,
  }));
  expect(representatives(many, 64)).toHaveLength(64);
  expect(representatives(many, 64).filter((one) => one.kind === "sound")).toHaveLength(1);
});

test("the same contents make the same cloth, other tags or another order another one; no drawing is over 6 kB at the size of a card", () => {
  const some: Yarn[] = [
    { kind: "page", minutes: 9, tag: "moss" },
    { kind: "video", minutes: 4, tag: "fire" },
    { kind: "page", minutes: 2, tag: null },
  ];
  const drawn = (yarns: Yarn[], tags: string[]) => clothSvg(weave(yarns, tags, 264, 96));
  expect(drawn(some, ["water table"])).toBe(drawn(structuredClone(some), ["water table"]));
  expect(drawn(some, ["water table"])).not.toBe(drawn(some, ["birds"]));
  expect(drawn(some, [])).not.toBe(drawn(some.toReversed(), []));
  // Three pages of the same tag are three pieces, and a cloth of nothing is undyed.
  const alike = weave(Array(3).fill(some[0]), [], 264, 96);
  expect(new Set(alike.warp.map((thread) => thread.structure)).size).toBeGreaterThan(1);
  expect(drawn([], [])).toContain("var(--line)");
  fc.assert(
    fc.property(fc.array(yarn, { maxLength: 400 }), tags, (yarns, tags) => {
      expect(clothSvg(weave(yarns, tags, 264, 96)).length).toBeLessThan(6_000);
    }),
  );
});
