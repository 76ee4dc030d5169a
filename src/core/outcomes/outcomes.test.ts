import fc from "fast-check";
import { expect, test } from "vitest";
import { coverage, gaps, insideOutcome, type Serving } from "./coverage";
import { readOutcomes } from "./read-outcomes";

test("codes say how deep an outcome stands, and blanks do where there are any", () => {
  expect(readOutcomes("1 Peat\r\n1.1 What it is made of\n1.1.1 Mosses\n\n2) Water")).toEqual([
    { code: "1", title: "Peat", depth: 0 },
    { code: "1.1", title: "What it is made of", depth: 1 },
    { code: "1.1.1", title: "Mosses", depth: 2 },
    { code: "2", title: "Water", depth: 0 },
  ]);
  expect(
    readOutcomes("- Peat\n  - LO1: What it is\n\t- Mosses\n- 2024 was dry").map(({ code, title, depth }) => [
      depth,
      code,
      title,
    ]),
  ).toEqual([
    [0, "", "Peat"],
    [1, "LO1", "What it is"],
    [2, "", "Mosses"],
    [0, "", "2024 was dry"],
  ]);
});

test("whatever is pasted, each stands at most one step below the one before, and nothing is longer than its column", () => {
  fc.assert(
    fc.property(fc.array(fc.stringMatching(/^[\t 1.a*-]{0,12}x{0,3}$/), { maxLength: 40 }), (lines) => {
      const read = readOutcomes(lines.join("\n"));
      read.forEach(({ depth, code, title }, i) => {
        expect(depth).toBeLessThanOrEqual((read[i - 1]?.depth ?? -1) + 1);
        expect(code.length).toBeLessThanOrEqual(20);
        expect(title.length).toBeLessThanOrEqual(500);
      });
    }),
  );
  expect(readOutcomes("x\n".repeat(5_000))).toHaveLength(500);
});

const outcome = (id: string, parent: string | null) => ({ id, parent, code: id, title: id });
const serving = (outcome: string, resource: string, more: Partial<Serving> = {}): Serving => ({
  ...{ outcome, resource, placement: `${resource}@${more.column ?? "week1"}`, column: "week1" },
  ...{ degree: "full", minutes: 10, appraised: true },
  ...more,
});

test("an outcome is covered by what serves it and what stands in it, each thing once; gaps are counted where nothing stands in it", () => {
  const outcomes = [
    outcome("a", null),
    outcome("a1", "a"),
    outcome("a2", "a"),
    outcome("b", null),
    outcome("c", null),
  ];
  const rows = coverage(outcomes, [
    serving("a1", "moss", { degree: "part" }),
    serving("a1", "moss", { column: "week2" }),
    serving("a1", "core", { appraised: false, minutes: null }),
    serving("b", "well"),
    serving("c", "film", { appraised: false }),
    serving("c", "sound", { appraised: false, degree: "part" }),
  ]);
  expect(rows.map(({ outcome: { id }, depth, cover }) => [id, depth, cover])).toEqual([
    ["a", 0, "covered"],
    ["a1", 1, "covered"],
    ["a2", 1, "nothing"],
    ["b", 0, "one thing"],
    ["c", 0, "only unappraised"],
  ]);
  expect(rows[0]!.all).toEqual({ full: 2, part: 0, minutes: 10, appraised: 1 });
  expect(rows[1]!.cells.get("week1")).toEqual({ full: 1, part: 1, minutes: 10, appraised: 1 });
  expect(gaps(rows)).toEqual({ nothing: 1, "one thing": 1, "only unappraised": 1, covered: 1 });
  expect([...insideOutcome(outcomes, "a")].sort()).toEqual(["a", "a1", "a2"]);
});
