import { expect, test } from "vitest";
import { asPublished } from "./as-published";
import { countOf } from "./changes";
import { compare } from "./compare";
import { filesOf, contentBytes, type EditionCollection, type EditionItem, readContent } from "./content";

const item = (id: string, more: Partial<EditionItem> = {}): EditionItem => ({
  ...{ id, kind: "page", heading: "", context: "", look: "item", title: `Title ${id}`, description: "" },
  ...{
    address: `https://bog.example/${id}`,
    host: "bog.example",
    siteName: "",
    authors: [],
    published: null,
  },
  ...{
    minutes: 5,
    pages: null,
    tags: ["peat"],
    picture: null,
    player: null,
    language: null,
    quotation: null,
  },
  ...{ copy: null, isPdf: false, file: null, text: null, resource: `r-${id}` },
  addedAt: "2026-11-01T08:00:00.000Z",
  ...more,
});
const collection = (id: string, more: Partial<EditionCollection> = {}): EditionCollection => ({
  ...{
    id,
    title: `Collection ${id}`,
    description: "",
    rich: "",
    cover: null,
    teamName: "Lantern Moss",
    use: null,
  },
  ...{ language: "", view: "rows", sections: [{ id: null, title: "", intro: "", items: [] }], inside: [] },
  createdAt: "2026-10-01T08:00:00.000Z",
  ...more,
});
const section = (id: string | null, ...items: EditionItem[]) => ({
  id,
  title: id ? `Section ${id}` : "",
  intro: "",
  items,
});
const course = (week1: EditionItem[], week2: EditionItem[]) =>
  collection("top", {
    sections: [section(null, item("a"), item("b")), section("s", item("c"))],
    inside: [
      collection("w1", { sections: [section(null, ...week1)] }),
      collection("w2", { sections: [section(null, ...week2)] }),
    ],
  });

test("what came, went, was carried elsewhere or has other words is told once, where it stands", () => {
  const before = course([item("d"), item("e")], [item("f")]);
  const after = course([item("e", { context: "Why" })], [item("f"), item("d"), item("g")]);
  after.sections = [section(null, item("b"), item("a")), section("t", item("c"), item("h"))];
  const { added, gone, moved, words } = compare(before, after);
  expect(added.map(({ id, where, holds }) => [id, where, holds])).toEqual([
    ["t", [], 1],
    ["g", ["Collection w2"], 0],
  ]);
  expect(gone.map(({ id }) => id)).toEqual(["s"]);
  expect(moved.map(({ id, from, where }) => [id, from, where])).toEqual([
    ["b", [], []],
    ["c", ["Section s"], ["Section t"]],
    ["d", ["Collection w1"], ["Collection w2"]],
  ]);
  expect(words).toMatchObject([{ id: "e", of: "context", before: "", after: "Why" }]);
});

test("nothing changed is nothing told; a part that came brings its items along", () => {
  const one = course([item("d")], []);
  expect(countOf(compare(one, structuredClone(one)))).toBe(0);
  const more = structuredClone(one);
  more.inside.push(collection("w3", { sections: [section("x", item("y"), item("z"))] }));
  expect(compare(one, more)).toMatchObject({
    added: [{ id: "w3", holds: 2 }],
    gone: [],
    moved: [],
    words: [],
  });
});

test("an edition is read back as it was written, whole or a part of it, with the way through it", () => {
  const kept = { form: 1 as const, collection: course([item("d", { picture: "p1" })], [item("f")]) };
  expect(readContent(contentBytes(kept))).toEqual(kept);
  const now = { audience: "link" as const, framedBy: "", keptAt: new Date(0) };
  const top = asPublished(kept, null, now)!;
  expect(top.inside.map(({ door, count, minutes }) => [door, count, minutes])).toEqual([
    [{ code: null, part: "w1" }, 1, 5],
    [{ code: null, part: "w2" }, 1, 5],
  ]);
  expect(asPublished(kept, "w1", now)!.way).toEqual({
    above: [{ title: "Collection top", door: { code: null, part: null } }],
    before: { title: "Collection top", door: { code: null, part: null } },
    next: { title: "Collection w2", door: { code: null, part: "w2" } },
  });
  expect(asPublished(kept, "elsewhere", now)).toBeNull();
  expect([...filesOf(kept)]).toEqual(["p1"]);
});

test("the same content has the same bytes, in whatever order it was put together", () => {
  const { id, ...rest } = collection("a");
  const turned = Object.fromEntries(Object.entries({ ...rest, id }).reverse()) as EditionCollection;
  const bytes = (one: EditionCollection) =>
    new TextDecoder().decode(contentBytes({ form: 1, collection: one }));
  expect(bytes(turned)).toBe(bytes(collection("a")));
});
