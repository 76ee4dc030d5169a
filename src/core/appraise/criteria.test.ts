import { expect, test } from "vitest";
import { answersFrom, isWhole } from "./answers";
import { criteriaFrom } from "./criteria";
import { SCREENING, STARTER } from "./starter-criteria";

const [first] = STARTER.criteria;

test("what the beginning set says comes through as it is", () => {
  expect(criteriaFrom(STARTER.criteria)).toEqual(STARTER.criteria);
});

test.each([
  ["none", []],
  ["no list", {}],
  ["two of one id", [first, first]],
  ["more than twenty", Array.from({ length: 21 }, (_, i) => ({ ...first, id: `c${i}` }))],
  ["an unknown scale", [{ ...first, scale: "seven" }]],
  ["a weight that is no number", [{ ...first, weight: Number.NaN }]],
  ["a weight below nothing", [{ ...first, weight: -1 }]],
  ["no name", [{ ...first, name: "  " }]],
  ["an id that is a word of the language", [{ ...first, id: "__proto__" }]],
])("%s is no set of criteria", (_, raw) => {
  expect(criteriaFrom(raw)).toBeNull();
});

test("guiding words are as many as the scale has steps", () => {
  expect(criteriaFrom([{ ...first, scale: "five", guide: ["a"] }])?.[0]?.guide).toEqual([
    "a",
    "",
    "",
    "",
    "",
  ]);
});

test("answers are steps of their scale, or that one cannot say", () => {
  const answers = { currency: { step: 3, why: " new " }, purpose: { step: null } };
  expect(answersFrom(answers, STARTER.criteria)).toEqual({
    currency: { step: 3, why: "new" },
    purpose: { step: null },
  });
  expect(answersFrom({ currency: { step: 4 } }, STARTER.criteria)).toBeNull();
  expect(answersFrom({ currency: { step: 1.5 } }, STARTER.criteria)).toBeNull();
  expect(answersFrom({ other: { step: 1 } }, STARTER.criteria)).toBeNull();
  expect(answersFrom(JSON.parse('{"__proto__":{"step":1}}'), STARTER.criteria)).toBeNull();
});

test("answers are whole when every question has one, also that one cannot say", () => {
  const answers = Object.fromEntries(STARTER.criteria.map(({ id }) => [id, { step: null }]));
  expect(isWhole(answers, STARTER.criteria)).toBe(true);
  delete answers.purpose;
  expect(isWhole(answers, STARTER.criteria)).toBe(false);
});

test("what is out has one of the reasons of the question, and what is in has none", () => {
  const [belongs] = SCREENING.criteria;
  expect(criteriaFrom([belongs])).toEqual([belongs]);
  const given = (step: number, reason?: string) => answersFrom({ belongs: { step, reason } }, [belongs!]);
  expect(given(1, "Nothing new in it")).toEqual({ belongs: { step: 1, reason: "Nothing new in it" } });
  expect(given(1, "I do not like it")).toBeNull();
  expect(given(3, "Nothing new in it")).toEqual({ belongs: { step: 3 } });
  expect(isWhole(given(1)!, [belongs!])).toBe(false);
  expect(isWhole(given(1, "Nothing new in it")!, [belongs!])).toBe(true);
  expect(isWhole(given(2)!, [belongs!])).toBe(true);
  expect(isWhole(given(1)!, [{ ...belongs!, reasons: [] }])).toBe(true);
});
