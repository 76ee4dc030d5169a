import { expect, test } from "vitest";
import { nearTags } from "./near-tags";

const TAGS = ["sphagnum", "peat core", "water table", "fire", "sedge"].map((name, i) => ({
  name,
  count: 9 - i,
}));
const near = (typed: string) => nearTags(typed, TAGS).map((tag) => tag.name);

test("one slip in a word is forgiven, also while it is being typed, and in any word of a tag", () => {
  for (const typed of ["spagnum", "sphagnun", "shpagnum", "Sphaagnum", "spagn"])
    expect([typed, near(typed)]).toEqual([typed, ["sphagnum"]]);
  expect(near("tabel")).toEqual(["water table"]);
  expect(near("paet")).toEqual(["peat core"]);
});

test("two slips, too few letters, and what is there already offer nothing", () => {
  for (const typed of ["spagnun", "fir", "fi", "fire", "heather"])
    expect([typed, near(typed)]).toEqual([typed, []]);
});
