import fc from "fast-check";
import { expect, test } from "vitest";
import { LARGEST_CRITERIA_FILE, readCriteriaFile, writeCriteriaFile } from "./criteria-file";
import { SCALES, stepsOf } from "./scales";
import { STARTER } from "./starter-criteria";

const words = (most: number) =>
  fc.string({ unit: "grapheme", maxLength: most / 4 }).map((text) => text.trim());
const criterion = fc.constantFrom(...SCALES).chain((scale) =>
  fc.record({
    id: fc.stringMatching(/^[a-z0-9-]{1,24}$/),
    name: words(60).filter((name) => name !== ""),
    question: words(300),
    scale: fc.constant(scale),
    guide: fc.array(words(200), { minLength: stepsOf(scale).length, maxLength: stepsOf(scale).length }),
    weight: fc.double({ min: 0, max: 10, noNaN: true }).map((weight) => weight || 0),
    ...(scale === "screen" && {
      reasons: fc.uniqueArray(
        words(80).filter((reason) => reason !== ""),
        { maxLength: 4 },
      ),
    }),
  }),
);

test("what is written is read again as it was, whatever the words are", () => {
  fc.assert(
    fc.property(
      words(120).filter((name) => name !== ""),
      fc.uniqueArray(criterion, { minLength: 1, maxLength: 6, selector: ({ id }) => id }),
      (name, criteria) => {
        expect(readCriteriaFile(writeCriteriaFile(name, criteria))).toEqual({ name, criteria });
      },
    ),
  );
});

test.each([
  ["nothing", ""],
  ["no JSON", "currency;relevance"],
  ["a list", "[]"],
  ["null", "null"],
  ["another kind of file", JSON.stringify({ what: "marks", form: 1, name: "x", criteria: STARTER.criteria })],
  ["a form of later", JSON.stringify({ what: "criteria", form: 2, name: "x", criteria: STARTER.criteria })],
  ["no name", JSON.stringify({ what: "criteria", form: 1, name: " ", criteria: STARTER.criteria })],
  ["no questions", JSON.stringify({ what: "criteria", form: 1, name: "x", criteria: [] })],
  ["one that is too large", writeCriteriaFile("x".repeat(LARGEST_CRITERIA_FILE), STARTER.criteria)],
])("%s is no file of criteria", (_, text) => {
  expect(readCriteriaFile(text)).toBeNull();
});
