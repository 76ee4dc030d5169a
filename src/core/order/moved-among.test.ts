import fc from "fast-check";
import { expect, test } from "vitest";
import { movedAmong } from "./moved-among";

test("one carried to the end is the only one that moved; what came or went moves nobody", () => {
  expect([...movedAmong(["a", "b", "c", "d"], ["b", "c", "d", "a"])]).toEqual(["a"]);
  expect([...movedAmong(["a", "b", "c"], ["x", "a", "c", "y"])]).toEqual([]);
  expect(movedAmong(["a", "b", "c"], ["c", "b", "a"]).size).toBe(2);
});

test("without them the rest stands as before, and with fewer it would not", () => {
  const ids = ["a", "b", "c", "d", "e", "f"];
  fc.assert(
    fc.property(fc.shuffledSubarray(ids), fc.shuffledSubarray(ids), (before, after) => {
      const moved = movedAmong(before, after);
      const common = before.filter((id) => after.includes(id));
      const rest = (order: string[], without: ReadonlySet<string>) =>
        order.filter((id) => common.includes(id) && !without.has(id)).join("");
      expect(rest(before, moved)).toBe(rest(after, moved));
      // Every smaller choice of those in both.
      for (let bits = 0; bits < 1 << common.length; bits++) {
        const fewer = new Set(common.filter((_, i) => bits & (1 << i)));
        if (fewer.size < moved.size) expect(rest(before, fewer)).not.toBe(rest(after, fewer));
      }
    }),
  );
});
