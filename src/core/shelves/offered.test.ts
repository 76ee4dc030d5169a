import { expect, test } from "vitest";
import type { EditionCollection, EditionItem } from "../editions/content";
import { cameAt, offeredOf, settledBy, type Own } from "./offered";

const item = (id: string, more: Partial<EditionItem> = {}) =>
  ({ id, title: `Title of ${id}`, heading: "", context: "", look: "item", ...more }) as EditionItem;
const made = (items: EditionItem[], more: Partial<EditionCollection> = {}): EditionCollection =>
  ({
    ...{ id: "C", title: "Bogs", description: "About bogs.", inside: [] },
    sections: [
      { id: null, title: "", intro: "", items: [] },
      { id: "S", title: "Week one", intro: "", items },
    ],
    ...more,
  }) as unknown as EditionCollection;
const PAIRS = { C: "c", S: "s", A: "a", B: "b" };
const taken = made([item("A", { context: "Read this first." }), item("B")]);
const own = (more: Record<string, object | null> = {}): Own => {
  const all: Record<string, object | null> = {
    c: { title: "Bogs", description: "About bogs." },
    s: { title: "Week one", intro: "" },
    a: { heading: "", context: "Read this first." },
    b: { heading: "", context: "" },
    ...more,
  };
  return new Map(Object.entries(all).flatMap(([id, words]) => (words ? [[id, words]] : [])));
};
const said = (offers: ReturnType<typeof offeredOf>) =>
  offers.map((one) => (one.what === "words" ? [one.key, one.own, one.now, one.merged] : [one.what, one.key]));

test("nothing is offered of what is as it was taken, nor of what was changed here alone", () => {
  expect(offeredOf(taken, taken, PAIRS, own())).toEqual([]);
  expect(
    offeredOf(taken, taken, PAIRS, own({ a: { heading: "Mine", context: "Not this." }, b: null })),
  ).toEqual([]);
});

test("other words there are offered as they would stand here: theirs, or with the own ones, or the two apart", () => {
  const lent = made([item("A", { context: "Read this chapter first." }), item("B")]);
  const offer = (context: string) =>
    said(offeredOf(taken, lent, PAIRS, own({ a: { heading: "", context } })));
  const theirs = "Read this chapter first.";
  expect(offer("Read this first.")).toEqual([["A context", "Read this first.", theirs, theirs]]);
  expect(offer("Read this first. Then the map.")).toEqual([
    ["A context", "Read this first. Then the map.", theirs, "Read this chapter first. Then the map."],
  ]);
  expect(offer("Read this page first.")).toEqual([["A context", "Read this page first.", theirs, null]]);
  // Whoever has it already, with own words or without, or has taken the item out, is offered nothing.
  expect(offer(theirs)).toEqual([]);
  expect(offer("Read this chapter first. Then the map.")).toEqual([]);
  expect(offeredOf(taken, lent, PAIRS, own({ a: null }))).toEqual([]);
});

test("what came and what went is offered once, with what is in it, and not again when it was taken or left", () => {
  const lent = made([item("B"), item("N", { heading: "New" })], {
    inside: [made([item("X")], { id: "I", title: "Inner", sections: [] })],
  });
  const offers = offeredOf(taken, lent, PAIRS, own());
  expect(said(offers)).toEqual([
    ["added", "N"],
    ["added", "I"],
    ["gone", "A"],
  ]);
  expect(offers[0]).toMatchObject({ kind: "item", title: "New", where: ["Week one"] });
  const settled = Object.fromEntries(offers.map(settledBy));
  expect(offeredOf(taken, lent, PAIRS, own(), settled)).toEqual([]);
  expect(said(offeredOf(taken, lent, { ...PAIRS, N: "n" }, own({ a: null })))).toEqual([["added", "I"]]);
  // Left once, another change of the same words is offered again.
  const [first, second] = ["One.", "Two."].map((context) => made([item("A", { context }), item("B")]));
  const left = Object.fromEntries(offeredOf(taken, first!, PAIRS, own()).map(settledBy));
  expect(offeredOf(taken, first!, PAIRS, own(), left)).toEqual([]);
  expect(said(offeredOf(taken, second!, PAIRS, own(), left))).toEqual([
    ["A context", "Read this first.", "Two.", "Two."],
  ]);
});

test("what came is found where it stands there", () => {
  const lent = made([item("A"), item("N")]);
  expect(cameAt(lent, "N")).toEqual([{ item: item("N"), collection: "C", section: "S", after: "A" }]);
  expect(cameAt(lent, "S").map((one) => [one.item.id, one.after])).toEqual([
    ["A", null],
    ["N", "A"],
  ]);
  expect(cameAt(lent, "?")).toEqual([]);
});
