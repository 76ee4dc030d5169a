import fc from "fast-check";
import { expect, test } from "vitest";
import { bandsOf, LIKELY_SAME, readSignature, resemblance, signatureOf, writeSignature } from "./min-hash";

const text = (words: number, seed: number) =>
  Array.from({ length: words }, (_, i) => `w${(i * 7919 + seed * 104_729) % 1009}`).join(" ");

test("a text resembles itself wholly, another one hardly, whatever its case and marks", () => {
  fc.assert(
    fc.property(fc.integer({ min: 60, max: 600 }), fc.integer({ min: 1, max: 500 }), (words, seed) => {
      const one = signatureOf(text(words, seed))!;
      expect(resemblance(one, signatureOf(text(words, seed).toUpperCase().replace(/ /g, ",  "))!)).toBe(1);
      expect(resemblance(one, signatureOf(text(words, seed + 1_000))!)).toBeLessThan(0.5);
    }),
    { numRuns: 40 },
  );
});

test("the estimate is near the share of runs in common (Broder 1997), within three standard errors", () => {
  const runs = (of: string) => {
    const words = of.split(" ");
    return new Set(words.slice(3).map((_, i) => words.slice(i, i + 4).join(" ")));
  };
  for (const changed of [4, 10, 25, 60]) {
    const words = Array.from({ length: 400 }, (_, i) => `word${i}`);
    const other = words.map((word, i) => (i % Math.round(400 / changed) === 0 ? `other${i}` : word));
    const [a, b] = [runs(words.join(" ")), runs(other.join(" "))];
    const common = [...a].filter((run) => b.has(run)).length;
    const exact = common / (a.size + b.size - common);
    const estimate = resemblance(signatureOf(words.join(" "))!, signatureOf(other.join(" "))!);
    expect(Math.abs(estimate - exact)).toBeLessThan(3 * Math.sqrt((exact * (1 - exact)) / 64) + 0.02);
  }
});

test("near-equal texts share a band; a signature survives being written; short texts have none", () => {
  const words = text(500, 3).split(" ");
  const near = words.map((word, i) => (i % 120 === 5 ? "changed" : word)).join(" ");
  const [a, b] = [signatureOf(words.join(" "))!, signatureOf(near)!];
  expect(resemblance(a, b)).toBeGreaterThanOrEqual(LIKELY_SAME);
  expect(bandsOf(a).some((band) => bandsOf(b).includes(band))).toBe(true);
  expect(readSignature(writeSignature(a))).toEqual(a);
  expect(signatureOf("too few words to be compared")).toBeNull();
});
