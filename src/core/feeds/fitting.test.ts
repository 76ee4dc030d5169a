import { expect, test } from "vitest";
import { fitting, type Terms } from "./fitting";

const terms = (words: Record<string, number>): Terms =>
  Object.entries(words).map(([word, weight]) => ({ term: word, word, weight }));

test("what fits is found by the cosine of its words, by an example worked out by hand", () => {
  const own = terms({ peat: 2, dipwell: 1, the: 1 });
  const others = [
    { id: "a", terms: terms({ peat: 1, dipwell: 1, the: 1 }) },
    { id: "b", terms: terms({ shop: 3, the: 1, boots: 2 }) },
    { id: "c", terms: terms({ peat: 1, fire: 2 }) },
  ];
  // As if of a hundred texts: peat in 3, dipwell in 2, the in 3: ln(1 + 97.5 / 3.5) = 3.362, ln(1 + 98.5 / 2.5) = 3.699.
  // a: (2 · 3.362² + 3.699² + 3.362²) / (√(6.725² + 3.699² + 3.362²) · √(3.362² + 3.699² + 3.362²)) = 47.60 / (8.379 · 6.024)
  const found = fitting(own, others);
  expect(found.map((one) => one.id)).toEqual(["a"]);
  expect(found[0]!.score).toBeCloseTo(0.943, 3);
  expect(found[0]!.words).toEqual(["peat", "dipwell", "the"]);
});

test("dates in titles do not set things apart that are about the same", () => {
  const own = terms({ readings: 3, wells: 2 });
  const daily = [27, 28, 29, 30].map((day) => ({
    id: String(day),
    terms: terms({ readings: 1, wells: 1, [String(day)]: 5, 2026: 5 }),
  }));
  expect(fitting(own, daily)).toHaveLength(4);
  expect(fitting(own, daily)[0]!.score).toBeGreaterThan(0.9);
});

test("one word in common fits nothing, nor does what has none", () => {
  const own = terms({ sphagnum: 5, bog: 1 });
  expect(
    fitting(own, [
      { id: "a", terms: terms({ sphagnum: 5 }) },
      { id: "b", terms: [] },
    ]),
  ).toEqual([]);
  expect(fitting([], [{ id: "a", terms: terms({ sphagnum: 5, bog: 1 }) }])).toEqual([]);
});
