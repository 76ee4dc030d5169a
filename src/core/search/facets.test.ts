import { describe, expect, test } from "vitest";
import { countFacts, type Fact, lengthClass, LENGTHS } from "./facets";

const STATES = ["untagged", "dead"];
const fact = (part: Partial<Fact>): Fact => ({
  kind: "page",
  site: "",
  person: "ama",
  month: "2026-03",
  minutes: null,
  states: { untagged: false, dead: false },
  ...part,
});

describe("what is counted of resources", () => {
  test("a table of five, counted by hand", () => {
    const five = [
      fact({ site: "bog.example", minutes: 5 }),
      fact({ site: "bog.example", minutes: 6, month: "2026-10" }),
      fact({ kind: "video", site: "peat.example", minutes: 61, states: { untagged: true, dead: true } }),
      fact({ kind: "note", person: "bett", states: { untagged: true, dead: false } }),
      fact({ kind: "video", site: "alder.example", minutes: 15, month: "2025-12" }),
    ];
    const { kinds, sites, people, months, lengths, states } = countFacts(five, STATES);
    const said = (rows: { value: string; count: number }[]) => rows.map(({ value, count }) => [value, count]);
    // Of as many, in the order of their names; what has no site is not counted.
    expect(said(kinds)).toEqual([["page", 2], ["video", 2], ["note", 1]]); // prettier-ignore
    expect(said(sites)).toEqual([["bog.example", 2], ["alder.example", 1], ["peat.example", 1]]); // prettier-ignore
    expect(said(people)).toEqual([["ama", 4], ["bett", 1]]); // prettier-ignore
    expect(said(months)).toEqual([["2026-10", 1], ["2026-03", 3], ["2025-12", 1]]); // prettier-ignore
    expect(said(lengths)).toEqual([["0-5", 1], ["6-15", 2], [">60", 1]]); // prettier-ignore
    expect(said(states)).toEqual([["untagged", 2], ["dead", 1]]); // prettier-ignore
  });

  test("classes of length leave no gap and do not overlap", () => {
    const classes = [...LENGTHS, null].map((_, i) => lengthClass(i, 1).value);
    const holds = (value: string, n: number) => {
      const [from, to] = value.startsWith(">") ? [Number(value.slice(1)) + 1, Infinity] : value.split("-").map(Number);
      return n >= from! && n <= to!;
    }; // prettier-ignore
    for (let n = 0; n < 100; n++)
      expect(classes.filter((value) => holds(value, n))).toEqual([
        countFacts([fact({ minutes: n })], []).lengths[0]!.value,
      ]);
  });

  test("states nobody is in are there with none", () => {
    expect(countFacts([], STATES).states.map((one) => one.count)).toEqual([0, 0]);
  });
});
