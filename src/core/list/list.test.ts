import fc from "fast-check";
import { expect, test } from "vitest";
import { gapOf, gapsOf } from "./gaps";
import { isLike, rangeOf } from "./selection";
import { sortItems } from "./sort-items";

test("a range goes either way and forgets a start that is gone", () => {
  const ids = ["a", "b", "c", "d"];
  expect(rangeOf(ids, "b", "d")).toEqual(["b", "c", "d"]);
  expect(rangeOf(ids, "d", "b")).toEqual(["b", "c", "d"]);
  expect(rangeOf(ids, "gone", "c")).toEqual(["c"]);
  expect(rangeOf(ids, "a", "gone")).toEqual([]);
});

test("alike by tag, site or kind", () => {
  const fen = { kind: "page", host: "fen.example", tags: ["moss", "water"] };
  expect(isLike({ kind: "video", host: "x.example", tags: ["water"] }, [fen], "tag")).toBe(true);
  expect(isLike({ kind: "video", host: "x.example", tags: [] }, [{ ...fen, tags: [] }], "tag")).toBe(false);
  expect(isLike({ kind: "note", host: "", tags: [] }, [{ kind: "note", host: "", tags: [] }], "site")).toBe(
    false,
  );
  expect(isLike({ kind: "page", host: "", tags: [] }, [fen], "kind")).toBe(true);
});

test("every item can be put everywhere, and where it stands is one of the places", () => {
  const sections = ["s", "t"];
  const list = fc
    .array(fc.constantFrom<string | null>(null, "s", "t"), { maxLength: 12 })
    .map((homes) =>
      [null, ...sections].flatMap((section) =>
        homes.flatMap((home, i) => (home === section ? [{ id: `i${i}`, section }] : [])),
      ),
    );
  fc.assert(
    fc.property(list, fc.array(fc.nat(11), { minLength: 1, maxLength: 4 }), (items, picks) => {
      const lifted = picks.map((n) => `i${n}`).filter((id) => items.some((item) => item.id === id));
      const gaps = gapsOf(items, sections, lifted);
      expect(gaps).toHaveLength(1 + sections.length + items.length - new Set(lifted).size);
      if (!lifted.length) return;
      const here = gaps[gapOf(items, gaps, lifted)]!;
      // Put there, a single thing stands where it stood.
      if (new Set(lifted).size > 1) return;
      const others = items.filter((item) => item.id !== lifted[0]);
      const at =
        here.after === null
          ? others.findIndex(
              (item) =>
                [null, ...sections].indexOf(item.section) >= [null, ...sections].indexOf(here.section),
            )
          : others.findIndex((item) => item.id === here.after) + 1;
      const moved = { id: lifted[0]!, section: here.section };
      const back = at < 0 ? [...others, moved] : [...others.slice(0, at), moved, ...others.slice(at)];
      expect(back).toEqual(items);
    }),
  );
});

test("sorted by title as people read it, by length and date; what has none stands last either way", () => {
  const item = (title: string, minutes: number | null, used: string | null, added = "2026-01-01") => ({
    heading: "",
    addedAt: added,
    resource: { title, minutes, usedAt: used },
  });
  const items = [
    item("Week 10", 5, null),
    item("écoute", null, "2026-03-01"),
    item("week 2", 20, "2026-02-01"),
  ];
  const titles = (sorted: typeof items) => sorted.map((one) => one.resource.title);
  expect(titles(sortItems(items, "title", false))).toEqual(["écoute", "week 2", "Week 10"]);
  expect(titles(sortItems(items, "length", false))).toEqual(["Week 10", "week 2", "écoute"]);
  expect(titles(sortItems(items, "length", true))).toEqual(["week 2", "Week 10", "écoute"]);
  expect(titles(sortItems(items, "used", true))).toEqual(["écoute", "week 2", "Week 10"]);
  expect(titles(sortItems(items, "own", true))).toEqual(titles(items));
  expect(titles(sortItems([{ ...items[0]!, heading: "Zuletzt" }, items[1]!], "title", false))).toEqual([
    "écoute",
    "Week 10",
  ]);
});
