import { expect, test } from "vitest";
import { SolidText } from "./solid-text";

const TEXT =
  "The water table\nfalls in sum\u00admer. It falls in autumn, too; and in winter it falls no more.";
const find = (exact: string, prefix = "", suffix = "") => {
  const found = new SolidText(TEXT).find({ exact, prefix, suffix });
  return found && TEXT.slice(found.start, found.end);
};

test("words are found whatever blanks and hyphens another reader set", () => {
  expect(find("water  table falls", "The")).toBe("water table\nfalls");
  expect(find("summer.", "falls\nin")).toBe("sum\u00admer.");
  expect(find("falls in autumn, too; and in winter it falls")).toBe(
    "falls in autumn, too; and in winter it falls",
  );
});

test("of words that stand there more than once those are meant around which it fits; a few alone are not", () => {
  const at = (prefix: string, suffix: string) =>
    new SolidText(TEXT).find({ exact: "falls", prefix, suffix })?.start ?? null;
  expect(at("table", " in")).toBe(TEXT.indexOf("falls"));
  expect(at("mer. It ", "in autumn")).toBe(TEXT.indexOf("falls in autumn"));
  expect(at("winter it", "")).toBe(TEXT.indexOf("falls no"));
  expect([at("", ""), at("on another page it", "slowly"), find("snow"), find(" \n")]).toEqual([
    null,
    null,
    null,
    null,
  ]);
});

test("the same letter a hundred thousand times ends", () => {
  const text = new SolidText("a ".repeat(100_000));
  expect(text.find({ exact: "a".repeat(50), prefix: "b", suffix: "" })).toEqual({ start: 0, end: 99 });
});
