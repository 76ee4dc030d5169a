import { expect, test } from "vitest";
import { fieldProblem, Problem } from "./problem";
import { KINDS, PROBLEMS, type ProblemCode } from "./problems";

/** RFC 9457 §3.1 (members) and §3.2 (extensions); `errors` with JSON pointers as in the example of its §3. */
test("a problem is told as problem details, with a code programs can go by", () => {
  expect(JSON.parse(JSON.stringify(fieldProblem("title", "title-missing")))).toEqual({
    type: "urn:hobbin:problem:title-missing",
    code: "title-missing",
    title: "Something needs another look",
    status: 422,
    detail: "Give a title.",
    errors: [{ detail: "Give a title.", pointer: "#/title" }],
  });
  const bare = new Problem("in-bin").toJSON();
  expect(bare).not.toHaveProperty("errors");
  expect([bare.status, bare.code]).toEqual([404, "in-bin"]);
});

test("words may be said more closely; the code and the status stay", () => {
  const closer = new Problem("file-too-large", "At most 500 MB, please.");
  expect([closer.detail, closer.status, closer.message]).toEqual([
    "At most 500 MB, please.",
    413,
    "At most 500 MB, please.",
  ]);
});

test("every code is written alike, and its words are a sentence for a person", () => {
  for (const [code, { kind, detail }] of Object.entries(PROBLEMS)) {
    expect(code).toMatch(/^[a-z]+(-[a-z]+)*$/);
    // Those that stand for their whole kind have its title.
    if (code in KINDS) expect(detail).toBe(KINDS[kind].title);
    else expect(detail).toMatch(/^[A-Z].*[.]$/);
  }
});

test("every kind has a code of its own name, for what needs no closer word", () => {
  for (const kind of Object.keys(KINDS)) expect(PROBLEMS[kind as ProblemCode]?.kind).toBe(kind);
});
