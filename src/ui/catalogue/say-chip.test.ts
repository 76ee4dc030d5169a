import { expect, test } from "vitest";
import { chipsOf } from "@/core/search/query";
import { sayChip } from "./say-chip";

const said = (query: string) =>
  chipsOf(query).map((chip) => {
    const { label, words } = sayChip(chip);
    return [label, words].filter(Boolean).join(": ");
  });

test("what narrows is said in words, ranges too", () => {
  expect(said("length:10-20 length:10..20 length:0-5 length:<15 length:>60 length:7")).toEqual([
    ...["length: 10 to 20 min", "length: 10 to 20 min", "length: up to 5 min"],
    ...["length: under 15 min", "length: over 60 min", "length: 7 min"],
  ]);
  expect(said("added:2026-03 added:<2026-03-09 added:2026-01..2026-03 added:2025")).toEqual([
    "added: March 2026",
    "added: before 9 March 2026",
    "added: January 2026 to March 2026",
    "added: 2025",
  ]);
  expect(said('kind:video is:dead tag:"water table" -fire "peat core"')).toEqual([
    ...["kind: Video", "Could not be read", "tag: water table", "without: fire", "exactly: peat core"],
  ]);
});

test("what is no range, or not yet one, stands as it is typed", () => {
  expect(said("length:long added:soon")).toEqual(["length: long", "added: soon"]);
});
