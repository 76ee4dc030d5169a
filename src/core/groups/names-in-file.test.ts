import { expect, test } from "vitest";
import { MOST_NAMES } from "./names";
import { namesInFile } from "./names-in-file";

test.each([
  ["Name,Class\nAda Moor,7b\nBen Fen,7b", ["Ada Moor", "Ben Fen"]],
  ["\uFEFFNachname;Vorname;Klasse\r\nMoor;Ada;7b\r\nFen;Ben;7b\r\n", ["Ada Moor", "Ben Fen"]],
  [
    "ID\tFirst name\tLast name\tMail\n1\tAda\tMoor\ta@fen.example\n2\tBen\tFen\tb@fen.example",
    ["Ada Moor", "Ben Fen"],
  ],
  ['"Moor, Ada",7b\n"Fen, Ben",7b', ["Moor, Ada", "Fen, Ben"]],
  ["Ada,Moor\nBen,Fen", ["Ada Moor", "Ben Fen"]],
  ["Ada\nBen\n\nCleo\n", ["Ada", "Ben", "Cleo"]],
  ["Prénom;Nom\nZoé;Été\n;Seul\n;;", ["Zoé Été", "Seul"]],
  ["", []],
])("%j", (text, names) => {
  expect(namesInFile(text)).toEqual(names);
});

test("there is an end to it", () => {
  expect(namesInFile(`Name\n${"Ada\n".repeat(100_000)}`)).toHaveLength(MOST_NAMES + 1);
  expect(namesInFile(`Name\n${"x".repeat(100_000)}`)[0]).toHaveLength(80);
});
