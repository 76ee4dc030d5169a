import { expect, test } from "vitest";
import { readAny } from "../imports/read-any";
import { tableOfHtml } from "./html-table";
import { asTable } from "./table-read";

test("a table of HTML has its words by rows, and addresses behind words in a column of their own", () => {
  const rows = tableOfHtml(
    `<style>td{x:y}</style><table><tr><th>Titel</th><th>Notiz</th></tr><tr><td><a href="https://bog.example/1">One</a></td><td>a<br>b &amp; c</td></tr><tr><td>Two<td></td></tr></table>`,
  )!;
  expect(rows).toEqual([
    ["Titel", "Notiz", "URL"],
    ["One", "a b & c", "https://bog.example/1"],
    ["Two", "", ""],
  ]);
  expect(asTable(rows).meanings).toEqual(["title", "note", "address"]);
  expect(
    tableOfHtml(
      `<table><tr><td>https://a.example</td><td>A</td></tr><tr><td>https://b.example</td><td>B</td></tr></table>`,
    ),
  ).toEqual([
    ["https://a.example", "A"],
    ["https://b.example", "B"],
  ]);
});

test("a page that is laid out by a table is none, nor is one column", () => {
  expect(tableOfHtml("<ul><li>a</ul>")).toBeNull();
  expect(tableOfHtml("<table><tr><td>a</td></tr><tr><td>b</td></tr></table>")).toBeNull();
  expect(tableOfHtml(`<p>${"words ".repeat(50)}</p><table><tr><td>a<td>b<tr><td>c<td>d</table>`)).toBeNull();
});

test("lines with tabs are a table where an address stands in one; other words are words", () => {
  expect(readAny("", "Titre\tLien\nUn\thttps://bog.example/1\nDeux\thttps://bog.example/2").format).toBe(
    "table",
  );
  expect(readAny("", "one\ttwo\nthree https://bog.example/").format).toBe("text");
  expect(readAny("", "a\tb\nc\td").format).toBe("text");
});
