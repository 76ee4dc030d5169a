import { expect, test } from "vitest";
import { mentionsIn, nameBegun, offeredFor } from "./mentions";

const people = [
  { id: "tjark", name: "Tjark Ried" },
  { id: "ada", name: "Ada Fen" },
  { id: "ada-b", name: "Ada Fenner" },
  { id: "noor", name: "Noor Haddad" },
  { id: "ime", name: "Müge İnce" },
];

test.each([
  ["@Tjark Ried, look", ["tjark"], []],
  ["look, @tjark ried.", ["tjark"], []],
  ["(@Noor) and @NOOR HADDAD", ["noor"], []],
  ["@Ada Fenner and @Ada Fen", ["ada-b", "ada"], []],
  // Two have the name, so nobody is meant by it alone.
  ["@Ada", [], ["Ada"]],
  ["@Tjarks is another word", [], ["Tjarks"]],
  ["ada@fen.example is a mail address, and so is x.@y", [], []],
  ["a price of 3 @ 4", [], []],
  ["@Pim-Jan, @Pim-Jan", [], ["Pim-Jan"]],
  ["@Müge İnce", ["ime"], []],
  ["", [], []],
])("%j", (words, ids, unknown) => {
  expect(mentionsIn(words, people)).toEqual({ ids, unknown });
});

test("twice the words take twice the steps, and no more are meant than can be", () => {
  const crowd = Array.from({ length: 2_000 }, (_, i) => ({ id: String(i), name: `Ada Fen the ${i}th` }));
  const words = crowd.map((one) => `@${one.name}`).join(" ");
  expect(mentionsIn(words, crowd).ids).toHaveLength(50);
  expect(mentionsIn("@".repeat(4_000), crowd)).toEqual({ ids: [], unknown: [] });
});

test("a name that is begun is completed, by any of its parts", () => {
  expect(nameBegun("so @Ad", 6)).toEqual({ at: 3, begun: "Ad" });
  expect(nameBegun("so @", 4)).toEqual({ at: 3, begun: "" });
  expect(nameBegun("ada@fen", 7)).toBeNull();
  expect(nameBegun("so @Ada, and on", 15)).toBeNull();
  expect(offeredFor("f", people, 5).map((one) => one.id)).toEqual(["ada", "ada-b"]);
  expect(offeredFor("", people, 2)).toHaveLength(2);
  expect(offeredFor("noor h", people, 5).map((one) => one.id)).toEqual(["noor"]);
});
