import { expect, it } from "vitest";
import { sentenceAfter, sentenceBefore } from "./sentences";

const TEXT = "Water\n\nSphagnum holds 20.5 times its weight. It lets it go slowly!  Then it dries.\n";
const at = (words: string) => TEXT.indexOf(words);
const said = (span: { start: number; end: number } | null) => span && TEXT.slice(span.start, span.end);

it("goes from sentence to sentence, and back", () => {
  const all: string[] = [];
  for (let span = sentenceAfter(TEXT, 0); span; span = sentenceAfter(TEXT, span.end)) all.push(said(span)!);
  expect(all).toEqual([
    "Water",
    "Sphagnum holds 20.5 times its weight.",
    "It lets it go slowly!",
    "Then it dries.",
  ]);
  expect(said(sentenceBefore(TEXT, at("Then")))).toBe("It lets it go slowly!");
  expect(sentenceBefore(TEXT, 0)).toBeNull();
});

it("ends somewhere in a line that does not", () => {
  const line = "x".repeat(1_000_000);
  expect(sentenceAfter(line, 10)).toEqual({ start: 10, end: 4_010 });
  expect(sentenceBefore(line, 9_000)).toEqual({ start: 5_000, end: 9_000 });
});
