import { expect, test } from "vitest";
import type { EditionCollection, EditionItem } from "../editions/content";
import { givenBack } from "./give-back";

const item = (id: string, address: string, context: string) =>
  ({ id, address, context, title: id, look: "item" }) as EditionItem;
const collection = (id: string, items: EditionItem[], inside: EditionCollection[] = []) =>
  ({
    id,
    title: id,
    sections: [{ id: null, title: "", intro: "", items }],
    inside,
  }) as unknown as EditionCollection;

const LENT = collection(
  "L",
  [item("l1", "https://a.example/", "Theirs")],
  [collection("M", [item("m1", "https://b.example/", "")])],
);
const PAIRS = { L: "own", M: "part", l1: "o1", m1: "p1" };
const own = (id: string, address: string, context: string, home = "own") => ({
  id,
  collection: home,
  address,
  context,
});

test("another context line goes to the item it was taken from, wherever that stands there now", () => {
  expect(givenBack(own("o1", "https://a.example/", "Ours"), LENT, PAIRS, LENT)).toMatchObject({
    ...{ what: "words", collection: "L", item: { id: "l1" }, text: "Ours" },
  });
  expect(givenBack(own("p1", "https://b.example/", "Ours", "part"), LENT, PAIRS, LENT)).toMatchObject({
    collection: "M",
  });
  // The same words, and none, are no news.
  expect(givenBack(own("o1", "https://a.example/", "Theirs"), LENT, PAIRS, LENT)).toBeNull();
  expect(givenBack(own("o1", "https://a.example/", ""), LENT, PAIRS, LENT)).toBeNull();
});

test("what they do not have goes to where it stands here; what they took out since is not brought again", () => {
  expect(givenBack(own("new", "https://c.example/", "Good"), LENT, PAIRS, LENT)).toEqual({
    what: "item",
    collection: "L",
  });
  expect(givenBack(own("new", "https://c.example/", "", "part"), LENT, PAIRS, LENT)).toEqual({
    what: "item",
    collection: "M",
  });
  expect(givenBack(own("new", "https://c.example/", "", "else"), LENT, PAIRS, LENT)).toEqual({
    what: "item",
    collection: "L",
  });
  expect(givenBack(own("new", "", "Words only"), LENT, PAIRS, LENT)).toBeNull();
  expect(givenBack(own("o9", "https://d.example/", ""), LENT, { ...PAIRS, l9: "o9" }, LENT)).toBeNull();
  // It stands there by now, brought by themselves.
  expect(givenBack(own("new", "https://a.example/", "Ours"), LENT, PAIRS, LENT)).toMatchObject({
    what: "words",
  });
});

test("a link mended here is offered where it is as it was; what they changed themselves since is no news of ours", () => {
  const taken = collection("L", [item("l1", "https://a.example/", "Theirs"), item("l2", "", "A note")]);
  const mended = own("o1", "https://moved.example/", "Ours");
  expect(givenBack(mended, LENT, PAIRS, taken)).toMatchObject({
    ...{ what: "link", collection: "L", item: { id: "l1" }, address: "https://moved.example/" },
  });
  // Theirs leads there by now: the words are what is left.
  const there = collection("L", [item("l1", "https://moved.example/", "Theirs")]);
  expect(givenBack(mended, there, PAIRS, taken)).toMatchObject({ what: "words", text: "Ours" });
  // They mended it and wrote anew; ours is as it was taken.
  const anew = collection("L", [item("l1", "https://b.example/", "Written anew")]);
  expect(givenBack(own("o1", "https://a.example/", "Theirs"), anew, PAIRS, taken)).toBeNull();
});
