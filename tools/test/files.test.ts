import { expect, test } from "vitest";

/** The tools are no TypeScript. */
type Sorted = Record<"quick" | "integration" | "browser" | "more", string[]>;
const { sortFiles } = (await import(new URL("./files.mjs", import.meta.url).href)) as {
  sortFiles: (names: string[]) => Sorted;
};

test("files go to what runs them, arguments with their values to the runner", () => {
  expect(
    sortFiles([
      "src/core/order/place.test.ts",
      "tests/reference/search.test.ts",
      "tests/integration/undo.test.ts",
      "tests/browser/tree.spec.ts:3",
      "-g",
      "by keyboard",
    ]),
  ).toEqual({
    quick: ["src/core/order/place.test.ts", "tests/reference/search.test.ts"],
    integration: ["tests/integration/undo.test.ts"],
    browser: ["tests/browser/tree.spec.ts:3"],
    more: ["-g", "by keyboard"],
  });
});

test("a slip in a name is said, not run as everything", () => {
  expect(() => sortFiles(["tests/browser/three.spec.ts"])).toThrow(
    "There is no file tests/browser/three.spec.ts.",
  );
});
