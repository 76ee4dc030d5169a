import { expect, test } from "vitest";
import { takenTogether } from "./taken-together";

const one = (id: string, name: string, why = "", title = "") => ({ id, name, why, title, at: id[0]! });
const keyOf = ({ at }: { at: string }) => at;

test("what several suggested stands once, with what each said of it and who they are", () => {
  const given = [
    one("a1", "Ada", "Clear."),
    one("b1", "Cleo"),
    one("a2", "Ben", "Clear.", "A film"),
    one("a3", "Ada", "Short."),
  ];
  expect(takenTogether(given, keyOf, true)).toEqual([
    {
      key: "a",
      given: [given[0], given[2], given[3]],
      title: "A film",
      context: "Clear.\nShort.\nSuggested by Ada, Ben.",
    },
    { key: "b", given: [given[1]], title: "", context: "Suggested by Cleo." },
  ]);
  expect(takenTogether(given, keyOf, false).map(({ context }) => context)).toEqual(["Clear.\nShort.", ""]);
});

test("a context line holds the names, however much was said, and of many names a few", () => {
  const many = Array.from({ length: 200 }, (_, i) =>
    one(`a${i}`, `Learner ${i}`, `${i} ${"peat ".repeat(100)}`),
  );
  const { context } = takenTogether(many, keyOf, true)[0]!;
  expect(context.length).toBeLessThanOrEqual(4_000);
  expect(
    context.endsWith("Suggested by 200: Learner 0, Learner 1, Learner 2, Learner 3, Learner 4 and others."),
  ).toBe(true);
});
