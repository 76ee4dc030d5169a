import { expect, test } from "vitest";
import { type Known, placesFor } from "./places";

const known: Known = {
  teams: [{ id: "t", name: "Lantern Moss", role: "editor" }],
  tags: [],
  tree: [
    { id: "course", parent: null, title: "Peatland course", team: "t" },
    { id: "week", parent: "course", title: "Week 1", team: "t" },
    { id: "key", parent: null, title: "Moss key", team: "t" },
  ],
};
const recent = [{ team: "t", collection: "week", title: "Week 1" }];
const words = (...asked: Parameters<typeof placesFor>) => placesFor(...asked).map((one) => one.words);

test("recent places come first, then the Tray, then the top of the tree", () => {
  expect(words("", known, recent, null)).toEqual([
    "Week 1",
    "Tray of Lantern Moss",
    "Peatland course",
    "Moss key",
  ]);
});

test("one goes into a collection level by level; what has others inside says so", () => {
  expect(words("", known, recent, "course")).toEqual(["Week 1"]);
  const deep = placesFor("", known, [], null).filter((one) => one.deep);
  expect(deep.map((one) => one.words)).toEqual(["Peatland course"]);
});

test("letters find a collection wherever it stands, whatever their case, with the way to it", () => {
  expect(placesFor("wEEk", known, recent, "key")).toMatchObject([
    { words: "Week 1", about: "Peatland course" },
  ]);
  expect(words("moss", known, [], null)).toEqual(["Tray of Lantern Moss", "Moss key"]);
});

test("with several teams each place says whose it is", () => {
  const two = { ...known, teams: [...known.teams, { id: "u", name: "Drain mappers", role: "owner" }] };
  expect(placesFor("week", two, [], null)[0]!.about).toBe("Lantern Moss / Peatland course");
});
