import { expect, test } from "vitest";
import type { PublishedCollection, PublishedItem } from "../publish/model";
import { showing, theirsOf } from "./theirs";

const item = (id: string, more: Partial<PublishedItem> = {}) =>
  ({
    ...{
      id,
      kind: "page",
      heading: "",
      title: id,
      context: "",
      look: "item",
      address: `https://a.example/${id}`,
    },
    ...{ host: "a.example", siteName: "", minutes: 2, tags: [], language: "de", description: "" },
    ...more,
  }) as unknown as PublishedItem;
const section = (title: string, items: PublishedItem[]) => ({ id: title || null, title, intro: "", items });
const theirs = {
  ...{ title: "Water", description: "On water", teamName: "Heron", inside: [{}, {}] },
  sections: [
    section("", [item("a", { heading: "Own words", context: "First" }), item("said", { look: "text" })]),
    section("Later", [item("b"), item("c")]),
    section("Empty", []),
  ],
} as unknown as PublishedCollection;

test("of others as much is shown as a page holds, with their words, and of the rest how much it is", () => {
  const shown = theirsOf(theirs, "abc", 2);
  expect(shown.sections.map((one) => [one.title, one.items.map((each) => each.title)])).toEqual([
    ["", ["Own words"]],
    ["Later", ["b"]],
  ]);
  expect(shown.sections[0]!.items[0]).toMatchObject({ context: "First", language: null });
  expect(shown.more).toEqual({ items: 1, inside: 2 });
  expect(theirsOf(theirs, "abc", 0)).toMatchObject({ sections: [], more: { items: 3 } });
});

test("an item that shows others' collection is called as that is now, and leads there; what it shows in turn is a link", () => {
  const ring = {
    ...{ ...theirs, inside: [] },
    sections: [section("", [item("back", { shownLive: "me", theirs: theirsOf(theirs, "x", 9) })])],
  };
  const made = showing(
    item("mine", { context: "Why", title: "Old" }),
    { collection: ring, code: "abc" },
    "https://h.example",
    9,
  );
  expect(made).toMatchObject({
    title: "Water",
    siteName: "Heron",
    context: "Why",
    minutes: 2,
    opens: { count: 1 },
  });
  expect(made.address).toBe("https://h.example/c/abc");
  expect(made.theirs!.sections[0]!.items[0]).not.toHaveProperty("theirs");
});
