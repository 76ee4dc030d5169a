import { expect, test } from "vitest";
import { calledSoFirst, paletteEntries } from "./palette-entries";

const titles = ["Peat and fire", "Week 3: the water table", "Fire on the moor", "The fire watch"];
const commands = ["New section", "Fold the sources away", "Publish this collection"].map((words) => ({
  words,
}));
const find = (query: string, collections = titles) => {
  const found = paletteEntries({
    query,
    collections: collections.map((title) => ({ title })),
    tags: ["fire", "fire watch", "firewood", "bonfire", "water table"].map((name) => ({ name })),
    commands,
  });
  return {
    collections: found.collections.map((one) => one.title),
    tags: found.tags.map((one) => one.name),
    meant: found.meant.map((one) => one.words),
    others: found.others.map((one) => one.words),
  };
};

test("before anything is typed, collections and what can be done stand there, and no tags", () => {
  const { collections, tags, meant, others } = find("");
  expect([collections, tags, meant, others.length]).toEqual([titles, [], [], 3]);
  expect(
    find(
      "",
      Array.from({ length: 40 }, (_, i) => `Week ${i}`),
    ).collections,
  ).toHaveLength(12);
});

test("every word must be there, in any case and order; what begins with them stands first", () => {
  expect(find("fire").collections).toEqual(["Fire on the moor", "Peat and fire", "The fire watch"]);
  expect(find("WATCH the").collections).toEqual(["The fire watch"]);
  expect(find("fire water").collections).toEqual([]);
});

test("a few tags stand below, so that the rest stays in sight", () => {
  expect(find("fire").tags).toEqual(["fire", "fire watch", "firewood"]);
});

test("who types the beginning of a command means it; two letters are not enough", () => {
  expect(find("pub")).toMatchObject({ meant: ["Publish this collection"], others: [] });
  expect(find("pu")).toMatchObject({ meant: [], others: ["Publish this collection"] });
  expect(find("sources")).toMatchObject({ meant: [], others: ["Fold the sources away"] });
});

test("of what was found, what is called so stands first; the others keep their order", () => {
  const found = ["The dam is finished", "Fire", "A year at the dam", "At the year's dam"];
  const first = calledSoFirst(
    found.map((title) => ({ title })),
    "Year dam",
  ).map((one) => one.title);
  expect(first).toEqual(["A year at the dam", "At the year's dam", "The dam is finished", "Fire"]);
});
