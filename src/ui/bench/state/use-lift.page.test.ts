import { act, renderHook } from "@testing-library/react";
import fc from "fast-check";
import { expect, test } from "vitest";
import type { Item, Landing, Section } from "./types";
import { useLift } from "./use-lift";

const SECTIONS = [
  { id: "s", title: "Peat" },
  { id: "t", title: "Fire" },
] as Section[];
const item = (id: string, section: string | null, heading = "") =>
  ({ id, section, heading, resource: { title: `Page ${id}` } }) as unknown as Item;
const ITEMS = [item("a", null), item("b", "s", "What a bog is"), item("c", "s"), item("d", "t")];

function lifting(items: Item[] = ITEMS) {
  const moved: { ids: string[]; landing: Landing }[] = [];
  const said: string[] = [];
  const { result } = renderHook(() =>
    useLift(items, SECTIONS, {
      move: (ids, landing) => moved.push({ ids, landing }),
      announce: (words) => said.push(words),
    }),
  );
  return {
    moved,
    said,
    lift: (...ids: string[]) => act(() => result.current.lift(ids)),
    press: (...keys: string[]) =>
      keys.map((key) => {
        let taken = false;
        act(() => void (taken = result.current.onKey(key)));
        return taken;
      }),
    landing: () => result.current.landing,
    lifted: () => result.current.lifted,
  };
}

test("picked up, the arrows go through every place there is, and each is said", () => {
  const hand = lifting();
  hand.lift("c");
  expect(hand.said.pop()).toMatch(/^Picked up one item\. Arrows choose the place/);
  expect(hand.landing()).toEqual({ section: "s", after: "b" });
  hand.press("ArrowDown");
  expect(hand.said.pop()).toBe("first, in Fire");
  hand.press("ArrowDown");
  expect(hand.said.pop()).toBe("after Page d, in Fire");
  // There is no further.
  hand.press("ArrowDown");
  expect(hand.landing()).toEqual({ section: "t", after: "d" });
  hand.press("Home");
  expect(hand.said.pop()).toBe("first, in before the first section");
  hand.press("End", "ArrowUp", "ArrowUp");
  expect(hand.said.pop()).toBe("after What a bog is, in Peat");
});

test("space drops it where it was shown, once; Escape and Tab leave it where it was", () => {
  const hand = lifting();
  hand.lift("a", "d");
  expect(hand.said.pop()).toMatch(/^Picked up 2 items/);
  hand.press("End", " ");
  expect(hand.moved).toEqual([{ ids: ["a", "d"], landing: { section: "t", after: null } }]);
  expect(hand.lifted()).toBeNull();
  // What is no longer in the hand takes no keys.
  expect(hand.press(" ", "ArrowDown", "Enter")).toEqual([false, false, false]);
  hand.lift("b");
  expect(hand.press("ArrowDown", "Escape")).toEqual([true, true]);
  expect(hand.said.pop()).toBe("Left where it was.");
  hand.lift("b");
  // Tab puts it back too, and still goes on to what comes next.
  expect(hand.press("Tab")).toEqual([false]);
  expect(hand.moved).toHaveLength(1);
});

test("while something is in the hand no letter does anything else", () => {
  const hand = lifting();
  hand.lift("b");
  expect(hand.press("x", "Delete", "n")).toEqual([true, true, true]);
  expect(hand.lifted()).toEqual(["b"]);
});

test("whatever is picked up, where it stood is shown first, and every other place can be reached by the arrows", () => {
  const layout = fc.array(fc.constantFrom(null, "s", "t"), { minLength: 1, maxLength: 7 });
  fc.assert(
    fc.property(layout, fc.nat(), fc.nat(3), (sections, from, count) => {
      const rank = (one: string | null) => [null, "s", "t"].indexOf(one);
      const items = sections.toSorted((a, b) => rank(a) - rank(b)).map((one, i) => item(`${i}`, one));
      const at = from % items.length;
      const ids = items.slice(at, at + 1 + count).map((one) => one.id);
      const hand = lifting(items);
      hand.lift(...ids);
      const stays = items.slice(0, at).findLast((one) => one.section === items[at]!.section);
      expect(hand.landing()).toEqual({ section: items[at]!.section, after: stays?.id ?? null });
      hand.press("Home");
      const seen = new Set<string>();
      for (let i = 0; i < items.length + 4; i++) {
        seen.add(JSON.stringify(hand.landing()));
        hand.press("ArrowDown");
      }
      // Before everything in each of the three places, and behind each item that is not in the hand.
      expect(seen.size).toBe(3 + items.length - ids.length);
    }),
    { numRuns: 40 },
  );
});
