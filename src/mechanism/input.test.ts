import { expect, test } from "vitest";
import { checkInput, Id, MaybeSought, MaybeText, Name, OneOf, Texts } from "./input";
import { Problem } from "./problem";

class Example {
  @Id() team: string;
  @Name("a title", 5) title: string;
  @MaybeText(3) note?: string;
  @MaybeSought(9) query?: string;
  @OneOf(["rows", "cards"]) view: string;
  @Texts(2, 4) tags: string[];
}

const ID = "01a21996-8e86-731a-95e4-40a189a12171";
const right = { team: ID, title: " Moss ", view: "rows", tags: ["bog"] };

const wrong = (raw: unknown) => {
  try {
    checkInput(Example, raw);
  } catch (error) {
    return (error as Problem).errors.map(({ field, detail }) => `${field}: ${detail}`);
  }
  return [];
};

test("what is right is taken, without blanks around it", () => {
  expect(checkInput(Example, right)).toEqual({ ...right, title: "Moss" });
  // Behind what is looked for a blank says that its last word is done.
  expect(checkInput(Example, { ...right, note: "a ", query: "bog " })).toMatchObject({
    note: "a",
    query: "bog ",
  });
});

test("every field that is wrong says so, in words for the person", () => {
  expect(wrong({ ...right, title: "   ", note: "four", view: "grid", team: "x" }).toSorted()).toEqual([
    "note: At most 3 characters, please.",
    "team: This is no id.",
    "title: Give a title.",
    "view: One of: rows, cards.",
  ]);
  expect(wrong({ ...right, tags: ["bog", "fen", "mire"] })).toHaveLength(1);
  expect(wrong({ ...right, tags: ["too long"] })).toEqual(["tags: At most 4 characters each, please."]);
});

test("a field nobody asked for is refused, and so is what is no object", () => {
  expect(wrong({ ...right, owner: "me" })[0]).toMatch(/^owner: /);
  for (const raw of [null, "x", 4, [right]]) expect(() => checkInput(Example, raw)).toThrow(Problem);
  expect(
    checkInput(
      Example,
      JSON.parse(
        `{"__proto__": {"admin": true}, "team": "${ID}", "title": "Moss", "view": "rows", "tags": []}`,
      ),
    ),
  ).not.toHaveProperty("admin");
});
