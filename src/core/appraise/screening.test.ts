import { expect, test } from "vitest";
import { decisionOn, type Screened, screeningAt, tallyOf } from "./screening";
import { SCREENING } from "./starter-criteria";

const [question] = SCREENING.criteria;
const OUTS = ["Nothing new in it", "Another question"] as const;
const thing = (said: string, agreed?: string): Screened => {
  const side = (word: string): Screened["said"][number] => ({
    whole: word !== "-",
    steps: [{ "-": null, "?": 2, i: 3, c: 0 }[word] ?? (word === "-" ? null : 1)],
    out:
      word === "o"
        ? { belongs: OUTS[0] }
        : word === "O"
          ? { belongs: OUTS[1] }
          : ({} as Record<string, string>),
  });
  const sides = [...said].map(side);
  return { judges: sides.map((_, i) => i), said: sides, agreed: agreed ? side(agreed) : null };
};
const decided = (said: string, agreed?: string) => decisionOn(thing(said, agreed), question!, 0);

test("a thing is decided on when all who should have said the same, or have agreed", () => {
  expect(screeningAt(SCREENING.criteria)).toBe(0);
  expect(decided("ii")).toEqual({ is: "in" });
  expect(decided("oo")).toEqual({ is: "out", reason: OUTS[0] });
  expect(decided("oO")).toEqual({ is: "out", reason: OUTS[0] });
  expect(decided("??")).toEqual({ is: "unsure" });
  expect(decided("cc")).toEqual({ is: "unsure" });
  expect(decided("io")).toEqual({ is: "in dispute" });
  expect(decided("i-")).toEqual({ is: "open" });
  expect(decided("io", "O")).toEqual({ is: "out", reason: OUTS[1] });
});

test("a tally has every thing once, and what is out by its reasons", () => {
  const all = ["ii", "oo", "oo", "OO", "??", "io", "i-"].map((said) => thing(said));
  expect(tallyOf(all, question!, 0)).toEqual({
    ...{ in: 1, out: 3, unsure: 1, "in dispute": 1, open: 1 },
    reasons: [
      { reason: OUTS[0], count: 2 },
      { reason: OUTS[1], count: 1 },
    ],
  });
});
