import { expect, test } from "vitest";
import { addressesIn } from "./addresses-in";

test("addresses are found in lists, tables and heads of letters, each once", () => {
  expect(addressesIn("Ada Fen <ada@bog.example>, ben@bog.example;\nBEN@bog.example")).toEqual({
    addresses: ["ada@bog.example", "ben@bog.example"],
    wrong: [],
  });
  expect(
    addressesIn('Name\tMail\nFen, Ada\tada@bog.example\n"Reed, Ben"\tmailto:ben@bog.example.').addresses,
  ).toEqual(["ada@bog.example", "ben@bog.example"]);
});

test("what has an @ and is no address is said, and the rest is no address at all", () => {
  expect(addressesIn("ada@, @ben, cleo@bog, Dov")).toEqual({
    addresses: [],
    wrong: ["ada@", "@ben", "cleo@bog"],
  });
});
