import { expect, test } from "vitest";
import { whatComes } from "./what-comes";

test("one box takes an address, a list of links, the name of a collection, or a text to keep", () => {
  const means = (texts: string[]) => new Set(texts.map(whatComes));
  expect(means(["https://moss.example/sundew", " moss.example\n", "www.moss.example/a?b=c"])).toEqual(
    new Set(["address"]),
  );
  expect(means(["https://a.example\nhttps://b.example", "see www.moss.example and others"])).toEqual(
    new Set(["list"]),
  );
  expect(means(["@article{moss2020,\n title = {Moss}\n}"])).toEqual(new Set(["list"]));
  expect(means(["Peat", "Week 3: the water table", "Mr. Moss’s moor"])).toEqual(new Set(["name"]));
  expect(means(["Two by two.\nThen all.", "x ".repeat(200)])).toEqual(new Set(["note"]));
});
