import { describe, expect, test } from "vitest";
import { looksLike } from "./look-alike";

describe("Names in look-alike letters", () => {
  // From memory of Unicode Technical Standard 39, whose own examples are words like these: one letter of another alphabet,
  // a word wholly of another alphabet, digits for letters, and letters that together look like one.
  test.each([
    ["paypal", "p\u0430ypal"],
    ["scope", "\u0455\u0441\u043e\u0440\u0435"],
    ["Lantern Moss", "L\u0430ntern M\u03bfss"],
    ["Lantern Moss", "Lantern M\u043e\u0455s"],
    ["Bog people", "B0g peop1e"],
    ["modern", "rnodem"],
    ["Ama Okeri", "\u0410ma Okeri"],
  ])("%s and %s look the same", (one, other) => {
    expect(looksLike(one, other)).toBe(true);
    expect(looksLike(other, one)).toBe(true);
  });

  test.each([
    ["Lantern Moss", "lantern  moss"],
    ["Lantern Moss", "\uff2cantern Moss"],
    ["Heron", "Herons"],
    ["K\u00f6ln", "Koln"],
    ["\u041c\u0445\u0438", "Moss"],
    ["", "x"],
  ])("%s and %s are the same plainly, or other words", (one, other) =>
    expect(looksLike(one, other)).toBe(false),
  );
});
