import { describe, expect, test } from "vitest";
import { contrast } from "@/core/look/contrast";
import { DARK, LIGHT, MARK_PAIRS, TEXT_PAIRS } from "@/core/look/colours";

/** WCAG 2.2, https://www.w3.org/TR/WCAG22/, criteria 1.4.3 and 1.4.11. */
test("the formula: black on white is 21, and #777 on white the well-known near miss of 4.48", () => {
  expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
  expect(contrast("#777777", "#ffffff")).toBeCloseTo(4.48, 2);
});

describe.each([
  ["light", LIGHT],
  ["dark", DARK],
])("%s", (_, look) => {
  test.each(TEXT_PAIRS)("%s on %s is at least 4.5:1", (text, ground) => {
    expect(contrast(look[text], look[ground])).toBeGreaterThanOrEqual(4.5);
  });
  test.each(MARK_PAIRS)("%s beside %s is at least 3:1", (mark, ground) => {
    expect(contrast(look[mark], look[ground])).toBeGreaterThanOrEqual(3);
  });
});
