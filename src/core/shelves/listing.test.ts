import { expect, test } from "vitest";
import { Seeker } from "../search/passage";
import { type Listing, listingHolds, passagesIn, searchableOf } from "./listing";

const item = {
  ...{ id: "1", kind: "page" as const, address: "https://moss.example/1", minutes: 3, addedAt: "" },
  title: "Sundew",
  heading: "",
  context: "",
  description: "",
  section: "",
  language: null,
};
const bogs: Listing = {
  ...{ title: "Bogs", description: "Wet places, and who lives there.", language: "en", use: null },
  ...{ count: 3, minutes: 20, tags: ["plants"], cloth: { threads: [], tags: [] }, sources: ["moss.example"] },
  items: [
    { ...item, context: "A plant that eats; look at the leaves.", section: "Week one" },
    { ...item, title: "Peat", heading: "What peat is", description: "Half-rotten leaves and moss." },
    { ...item, title: "Leaves", description: "Of trees." },
  ],
};
const seeker = (...terms: string[]) => new Seeker({ terms: new Set(terms), prefix: null });

test("the collection's own words come first, then each item once, by the words that were written for it", () => {
  const said = (found: ReturnType<typeof passagesIn>) =>
    found.map(({ item, passage }) => [item, passage.text]);
  expect(said(passagesIn(bogs, seeker("place", "leav"), 3))).toEqual([
    [null, "Wet places, and who lives there."],
    ["Sundew", "A plant that eats; look at the leaves."],
    ["What peat is", "Half-rotten leaves and moss."],
  ]);
  expect(said(passagesIn(bogs, seeker("tree"), 3))).toEqual([["Leaves", "Of trees."]]);
  expect(passagesIn(bogs, seeker("whale"), 3)).toEqual([]);
});

test("it is found by everything its readers are shown, each words once", () => {
  expect(searchableOf(bogs)).toMatchObject({
    ...{ title: "Bogs", tags: ["plants"], source: ["moss.example"], language: "en" },
    contexts: [
      "Week one",
      "A plant that eats; look at the leaves.",
      "Sundew",
      "What peat is",
      "Peat",
      "Leaves",
    ],
    text: "\nHalf-rotten leaves and moss.\nOf trees.",
  });
  expect(listingHolds(bogs, "who lives")).toBe(true);
  expect(listingHolds(bogs, "leaves and moss")).toBe(true);
  expect(listingHolds(bogs, "moss and leaves")).toBe(false);
});
