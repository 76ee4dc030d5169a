import fc from "fast-check";
import { expect, test } from "vitest";
import type { EditionCollection, EditionItem } from "../editions/content";
import { correctionOf } from "./correction";
import { type Find, itemsToDo, sheetView, type Written } from "./sheet-view";
import { stageOf } from "./stage";
import { shownOf } from "./three-way";

const item = (id: string, context = "", look: "item" | "text" = "item") =>
  ({
    id,
    context,
    look,
    kind: "page",
    title: `Title ${id}`,
    heading: "",
    description: "",
    file: null,
    tags: [],
  }) as unknown as EditionItem;
const course = (sections: Record<string, EditionItem[]>, inside: EditionCollection[] = []) =>
  ({
    ...{ id: "top", title: "The water table", description: "" },
    sections: Object.entries(sections).map(([id, items]) => ({
      id: id || null,
      title: id,
      intro: "",
      items,
    })),
    inside,
  }) as unknown as EditionCollection;
const wrote = (id: string, more: Partial<Written> = {}): Written => ({
  ...{ item: id, edition: "first", done: false, context: null, contextFrom: null, answer: "", note: "" },
  ...more,
});
const view = (now: EditionCollection, written: Written[], was?: EditionCollection, finds: Find[] = []) =>
  sheetView(now, written, finds, new Map(was ? [["first", was]] : [])).flatMap((part) => part.sections);
const ids = (sections: ReturnType<typeof view>) => sections.map((one) => one.items.map(({ id }) => id));

test("words left alone take the new ones; own words stay, with the new ones beside them once these are others", () => {
  expect(shownOf(null, null, "new")).toEqual({ words: "new", beside: null });
  expect(shownOf("old", "mine", "old")).toEqual({ words: "mine", beside: null });
  expect(shownOf("old", "mine", "new")).toEqual({ words: "mine", beside: "new" });
  expect(shownOf("old", "new", "new")).toEqual({ words: "new", beside: null });
  // Whoever wrote where nothing stood is told of what stands there now.
  expect(shownOf(null, "mine", "")).toEqual({ words: "mine", beside: null });
  expect(shownOf("", "mine", "new")).toEqual({ words: "mine", beside: "new" });
});

test("what comes stands where it belongs; what is taken out stays where it was if there are words at it", () => {
  const was = course({ "": [item("a"), item("b"), item("c")], s: [item("d")] });
  const now = course({ "": [item("a"), item("x"), item("c")], s: [item("e")] });
  expect(ids(view(now, [wrote("b", { answer: "Peat." }), wrote("d", { done: true })], was))).toEqual([
    ["a", "b", "x", "c"],
    ["e"],
  ]);
  expect(ids(view(now, [wrote("d", { note: "Ask" })], was))).toEqual([
    ["a", "x", "c"],
    ["d", "e"],
  ]);
  // A section that is gone, an edition that is gone: nothing that was written is.
  expect(ids(view(course({ "": [item("a")] }), [wrote("d", { note: "Ask" })], was))).toEqual([["a", "d"]]);
  expect(view(course({}), [wrote("d", { note: "Ask" })])[0]!.items).toMatchObject([
    { id: "d", note: "Ask", gone: true },
  ]);
});

test("what they found stands in its section, or at the end when that is gone", () => {
  const find = (id: string, section: string | null): Find => ({
    id,
    section,
    address: "",
    title: "",
    context: "",
  });
  const sections = view(course({ "": [item("a")], s: [] }), [], undefined, [
    find("f", "s"),
    find("g", "gone"),
    find("h", null),
  ]);
  expect(sections.map((one) => one.finds.map(({ id }) => id))).toEqual([[], ["f", "g", "h"]]);
});

test("a correction says how many keep their own words and how many keep what is taken out; only what is to be done counts", () => {
  const was = course({ "": [item("a", "Read"), item("b", "Look"), item("t", "", "text")] });
  const now = course({ "": [item("a", "Read first"), item("c")] });
  const written = [
    { ...wrote("a", { context: "Mine", contextFrom: "Read" }), sheet: "1" },
    { ...wrote("a", { done: true }), sheet: "2" },
    { ...wrote("b", { answer: "Fen." }), sheet: "2" },
    { ...wrote("b", { done: true }), sheet: "3" },
  ];
  const { beside, kept, count } = correctionOf(was, now, written);
  expect({ beside, kept, count }).toEqual({ beside: 1, kept: 1, count: 4 });
  expect(correctionOf(was, was, written)).toMatchObject({ beside: 0, kept: 0, count: 0 });
  expect(itemsToDo(was)).toEqual(["a", "b"]);
});

test("how far they are: looked at until they write again", () => {
  const at = (
    openedAt: number | null,
    writtenAt: number | null,
    handedInAt: number | null,
    lookedAt: number | null,
  ) => {
    const day = (n: number | null) => (n === null ? null : new Date(n * 1000));
    return stageOf({
      openedAt: day(openedAt),
      writtenAt: day(writtenAt),
      handedInAt: day(handedInAt),
      lookedAt: day(lookedAt),
    });
  };
  expect([at(null, null, null, null), at(1, null, null, 5), at(1, 2, null, null)]).toEqual([
    "unopened",
    "opened",
    "begun",
  ]);
  expect([at(1, 2, 3, null), at(1, 2, 3, 4), at(1, 2, 5, 4)]).toEqual([
    "handed-in",
    "looked-at",
    "handed-in",
  ]);
});

test("whatever is corrected, however often: nothing a learner wrote is lost, nothing stands twice, and what is given stands in its order", () => {
  const list = fc.uniqueArray(fc.constantFrom(..."abcdefgh"), { maxLength: 8 });
  fc.assert(
    fc.property(list, list, fc.array(fc.constantFrom(..."abcdefgh"), { maxLength: 6 }), (first, then, at) => {
      const was = course({ "": first.map((id) => item(id)) });
      const now = course({ "": then.map((id) => item(id)) });
      const written = [...new Set(at)].filter((id) => first.includes(id)).map((id) => wrote(id, { answer: `about ${id}` }));
      const items = view(now, written, was).flatMap((one) => one.items);
      expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
      expect(items.filter(({ gone }) => !gone).map(({ id }) => id)).toEqual(then);
      for (const one of written) expect(items.find(({ id }) => id === one.item)?.answer).toBe(one.answer);
    }),
  );
}); // prettier-ignore
