import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { markFile, markModule } from "./mark";

test("the icons are the mark, as `npm run mark` writes it", () => {
  for (const file of ["src/app/icon.svg", "extension/icon.svg"])
    expect(readFileSync(file, "utf8"), file).toBe(markFile());
  expect(readFileSync("src/core/look/mark-drawn.ts", "utf8")).toBe(markModule());
});
