import { act, renderHook } from "@testing-library/react";
import fc from "fast-check";
import { expect, test } from "vitest";
import type { Item } from "./types";
import { type How, useSelection } from "./use-selection";

const item = (id: string, resource: object = {}) =>
  ({ id, resource: { kind: "page", host: "bog.example", tags: [], ...resource } }) as unknown as Item;
const IDS = ["a", "b", "c", "d", "e", "f"];
const list = (ids: readonly string[]) => ids.map((id) => item(id));
const choosing = (items: Item[]) => {
  const { result, rerender } = renderHook((now: Item[]) => useSelection(now), { initialProps: items });
  return {
    now: () => [...result.current.marked].sort().join(""),
    chosen: () => result.current.chosen.map((one) => one.id).join(""),
    current: () => result.current.current,
    choose: (id: string | null, how?: How) => act(() => result.current.choose(id, how)),
    do: (what: "all" | "invert") => act(() => result.current[what]()),
    like: (by: "tag" | "site" | "kind") => act(() => result.current.like(by)),
    show: (now: Item[]) => rerender(now),
  };
};

test("a range goes from what was chosen last by itself, whichever way, and is drawn anew each time", () => {
  const list6 = choosing(list(IDS));
  list6.choose("c");
  list6.choose("e", "range");
  expect(list6.now()).toBe("cde");
  list6.choose("a", "range");
  expect(list6.now()).toBe("abc");
  list6.choose("f", "toggle");
  list6.choose("d", "range");
  expect(list6.now()).toBe("def");
  expect(list6.current()).toBe("d");
});

test("a range from what only has the focus begins there", () => {
  const list6 = choosing(list(IDS));
  list6.choose("b", "keep");
  expect(list6.now()).toBe("");
  list6.choose("d", "range");
  expect(list6.now()).toBe("bcd");
});

test("what is gone is chosen no more, and is chosen again when it comes back by an undo", () => {
  const list6 = choosing(list(IDS));
  list6.choose("b");
  list6.choose("d", "range");
  list6.show(list(["a", "b", "d"]));
  expect(list6.chosen()).toBe("bd");
  list6.show(list(IDS));
  expect(list6.chosen()).toBe("bcd");
});

test("those like the chosen ones are chosen with them: by a tag they share, by the site, by the kind", () => {
  const items = [
    item("a", { tags: ["peat", "fire"], kind: "video" }),
    item("b", { tags: ["fire"], host: "fen.example" }),
    item("c", { tags: [], host: "fen.example", kind: "video" }),
    item("d", { tags: ["birds"], host: "" }),
    item("e", { tags: [], host: "" }),
  ];
  const byTag = choosing(items);
  byTag.choose("a");
  byTag.like("tag");
  expect(byTag.now()).toBe("ab");
  const bySite = choosing(items);
  bySite.choose("d");
  bySite.like("site");
  // Without a site nothing is from the same one.
  expect(bySite.now()).toBe("d");
  bySite.choose("b", "toggle");
  bySite.like("site");
  expect(bySite.now()).toBe("bcd");
  const byKind = choosing(items);
  byKind.choose("c");
  byKind.like("kind");
  expect(byKind.now()).toBe("ac");
});

test("whatever is chosen in whatever order, it is what a plain set would hold", () => {
  const step = fc.oneof(
    fc.record({
      id: fc.constantFrom(...IDS),
      how: fc.constantFrom<How>("only", "toggle", "range", "keep"),
    }),
    fc.constantFrom("all" as const, "invert" as const),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      const real = choosing(list(IDS));
      let [set, anchor, current] = [new Set<string>(), null as string | null, null as string | null];
      for (const one of steps) {
        if (typeof one === "string") {
          real.do(one);
          set = new Set(IDS.filter((id) => one === "all" || !set.has(id)));
          continue;
        }
        const { id, how } = one;
        real.choose(id, how);
        if (how === "only") set = new Set([(anchor = id)]);
        if (how === "toggle") {
          anchor = id;
          set = flipped(set, id);
        }
        if (how === "range") {
          anchor ??= current;
          const [from, to] = [IDS.indexOf(anchor ?? id), IDS.indexOf(id)];
          set = new Set(IDS.slice(Math.min(from, to), Math.max(from, to) + 1));
        }
        current = id;
      }
      expect(real.now()).toBe([...set].sort().join(""));
      expect(real.current()).toBe(current);
    }),
    { numRuns: 60 },
  );
});

const flipped = (set: Set<string>, id: string) =>
  new Set(set.has(id) ? [...set].filter((one) => one !== id) : [...set, id]);
