import { expect, test } from "vitest";
import type { Kind } from "../page/facts";
import { clothSvg, type Thread, weave } from "./weave";

const threads = (kinds: Kind[]): Thread[] => kinds.map((kind, i) => ({ kind, minutes: (i + 1) ** 2 }));

test("one thread an item, in order, as wide as the root of its minutes", () => {
  const { patches } = weave(threads(["page", "video", "sound"]), ["moss"], 600, 90);
  const starts = [...new Map(patches.map((patch) => [patch.kind, patch])).values()];
  // 1, 4 and 9 minutes: roots 1, 2, 3 of 600 pixels in all.
  expect(starts.map((patch) => [patch.kind, patch.x, patch.width])).toEqual([
    ["page", 0, 100],
    ["video", 100, 200],
    ["sound", 300, 300],
  ]);
});

test("the same contents give the same cloth, other tags another one, and it never leaves its frame", () => {
  const some = threads(["page", "page", "document", "picture", "video", "sound"]);
  expect(clothSvg(weave(some, ["water table"], 240, 92))).toBe(
    clothSvg(weave(some, ["water table"], 240, 92)),
  );
  expect(clothSvg(weave(some, ["water table"], 240, 92))).not.toBe(clothSvg(weave(some, ["birds"], 240, 92)));
  for (const count of [0, 1, 64, 2_000]) {
    const { patches } = weave(
      Array.from({ length: count }, () => ({ kind: "page" as const, minutes: null })),
      [],
      240,
      92,
    );
    expect(new Set(patches.map((patch) => patch.x)).size).toBe(Math.min(count, 64));
    for (const patch of patches) {
      expect(patch.x + patch.width).toBeLessThanOrEqual(240.001);
      expect(patch.y + patch.height).toBeLessThanOrEqual(92);
      expect(patch.height).toBeGreaterThan(0);
    }
  }
});
