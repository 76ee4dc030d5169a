import { expect, test } from "vitest";
import { keptPart, sayKeptPart } from "./kept-part";

test.each([
  ["application/pdf", 400, 9_000_000, null],
  ["application/pdf", 401, 10, "pages"],
  ["application/pdf", null, 10, null],
  ["text/plain", null, 999_999, null],
  ["text/markdown", null, 1_000_000, "characters"],
  ["application/epub+zip", null, 3_000_000, null],
] as const)("of %s with %s pages and %i characters", (type, pages, length, part) => {
  expect(keptPart(type, pages, length)).toBe(part);
  if (part) expect(sayKeptPart(part)).toContain("the file has all");
});
