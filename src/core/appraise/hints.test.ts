import { expect, test } from "vitest";
import { hintsFor, isHinted } from "./hints";

const PAGE = {
  kind: "page",
  published: "2019-03-01",
  authors: [],
  siteName: "",
  host: "bog.example",
} as const;

test("how old it is is said by the year, and beside what is of its kind where there is enough of it", () => {
  const of = (kind: "page" | "video", ...years: (number | null)[]) =>
    years.map((year) => ({ kind, published: year === null ? null : String(year) }));
  const say = (others: ReturnType<typeof of>) => hintsFor("currency", { ...PAGE, others }, 2026);
  expect(say(of("page", 2020, 2018))).toEqual(["Published 2019-03-01: 7 years ago."]);
  expect(say([...of("page", 2020, 2021, 2018, null), ...of("video", 2025, 2025)])[1]).toBe(
    "Of 3 others of its kind here 2 are newer.",
  );
  expect(say(of("page", 2019, 2018, 2001))[1]).toBe("Of 3 others of its kind here none is newer.");
  expect(hintsFor("currency", { ...PAGE, published: null, others: of("page", 1, 2, 3) }, 2026)).toEqual([
    "It does not say when it was published.",
  ]);
});

test("for whom it is, where else it stands and who says it; of other questions nothing is known", () => {
  expect(
    hintsFor("relevance", { ...PAGE, level: "Plain, as stories are", places: ["Week 1", "Week 2"] }, 2026),
  ).toEqual(["Its language: plain, as stories are.", "It stands in “Week 1” and 1 more."]);
  expect(hintsFor("relevance", PAGE, 2026)).toEqual([]);
  expect(hintsFor("authority", { ...PAGE, authors: ["A", "B", "C", "D"] }, 2026)).toEqual([
    "By A, B, C.",
    "On bog.example.",
  ]);
  expect(["purpose", "authority"].map(isHinted)).toEqual([false, true]);
});

test("of the links in it it is said how many lead nowhere, and that they are being asked", () => {
  const say = (inside?: Parameters<typeof hintsFor>[1]["inside"]) =>
    hintsFor("currency", { ...PAGE, inside }, 2026).slice(1);
  const dead = ["one", "two", "three"].map((title) => ({ title }));
  expect(say()).toEqual([]);
  expect(say(null)).toEqual(["The links in it are being asked."]);
  expect(say({ asked: null, dead: [] })).toEqual([]);
  expect(say({ asked: 0, dead: [] })).toEqual(["No links lead out of it."]);
  expect(say({ asked: 18, dead: [] })).toEqual(["All 18 links in it lead somewhere."]);
  expect(say({ asked: 18, dead: dead.slice(0, 1) })).toEqual(["1 of 18 links in it leads nowhere: “one”."]);
  expect(say({ asked: 18, dead })).toEqual(["3 of 18 links in it lead nowhere: “one”, “two” and 1 more."]);
});
