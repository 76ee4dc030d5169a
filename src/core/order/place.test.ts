import fc from "fast-check";
import { expect, test } from "vitest";
import { compareOrder, keysAfter, LONGEST_KEY, type Ordered, placeAfter } from "./place";

/** Does to a plain list what a move means. */
function moveInList(list: string[], id: string, after: string | null): string[] {
  const rest = list.filter((other) => other !== id);
  const at = after === null ? 0 : rest.includes(after) ? rest.indexOf(after) + 1 : rest.length;
  return [...rest.slice(0, at), id, ...rest.slice(at)];
}

function moveByKeys(items: Ordered[], id: string, after: string | null): Ordered[] {
  const others = items.filter((item) => item.id !== id).sort(compareOrder);
  const { position, respread } = placeAfter(others, after);
  const spread = new Map(respread.map((item) => [item.id, item.position]));
  return [...others.map((o) => ({ id: o.id, position: spread.get(o.id) ?? o.position })), { id, position }];
}

test("any sequence of moves leaves the same order as the same moves in a plain list", () => {
  const ids = Array.from({ length: 12 }, (_, i) => `item-${String(i).padStart(2, "0")}`);
  const move = fc.record({
    id: fc.constantFrom(...ids),
    after: fc.constantFrom<string | null>(...ids, null, "gone"),
  });
  fc.assert(
    fc.property(fc.array(move, { maxLength: 120 }), (moves) => {
      let list = ids;
      const keys = keysAfter(null, ids.length);
      let items: Ordered[] = ids.map((id, i) => ({ id, position: keys[i]! }));
      for (const { id, after } of moves.filter((m) => m.id !== m.after)) {
        list = moveInList(list, id, after);
        items = moveByKeys(items, id, after);
      }
      const ordered = items.sort(compareOrder);
      expect(ordered.map((item) => item.id)).toEqual(list);
      expect(new Set(ordered.map((item) => item.position)).size).toBe(ids.length);
    }),
  );
});

test("keys stay short when everything is put between the same two", () => {
  let items: Ordered[] = keysAfter(null, 2).map((position, i) => ({ id: `start-${i}`, position }));
  for (let i = 0; i < 1_000; i++) items = moveByKeys(items, `new-${i}`, "start-0");
  expect(Math.max(...items.map((item) => item.position.length))).toBeLessThanOrEqual(LONGEST_KEY);
  expect(items.sort(compareOrder).map((item) => item.id)).toEqual([
    "start-0",
    ...Array.from({ length: 1_000 }, (_, i) => `new-${999 - i}`),
    "start-1",
  ]);
});

test("two equal keys, left by a restored thing, are spread apart", () => {
  const others = [
    { id: "a", position: "a0" },
    { id: "b", position: "a0" },
  ];
  const { position, respread } = placeAfter(others, "a");
  const all = [...others.map((o) => respread.find((r) => r.id === o.id) ?? o), { id: "new", position }];
  expect(all.sort(compareOrder).map((item) => item.id)).toEqual(["a", "new", "b"]);
});
