import { expect, test } from "vitest";
import { completeTag, tagKey, tagName, tagNames } from "./tag-name";

test("names of several words stay one tag, and commas separate", () => {
  expect(tagNames("water table, Field  sheet ;peat core\nwater Table")).toEqual([
    "water table",
    "Field sheet",
    "peat core",
  ]);
  expect(tagName("  ,  ")).toBeNull();
});

test("case and accents make no difference, signs and scripts do", () => {
  expect(tagKey("Élève")).toBe(tagKey("eleve"));
  expect(tagKey("C++")).not.toBe(tagKey("C"));
  expect(tagKey("泥炭 地")).toBe("泥炭 地");
  expect(tagKey("Straße")).toBe("straße");
});

test("completion looks at every word, whole beginnings first, then by use", () => {
  const tags = [
    { name: "water table", count: 3 },
    { name: "ground water", count: 9 },
    { name: "watershed", count: 1 },
    { name: "moss", count: 5 },
  ];
  expect(completeTag("WAT", tags).map((t) => t.name)).toEqual(["water table", "watershed", "ground water"]);
  expect(completeTag("", tags, 2).map((t) => t.name)).toEqual(["ground water", "moss"]);
});
