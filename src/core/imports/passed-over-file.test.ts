import { expect, test } from "vitest";
import { passedOverFile } from "./passed-over-file";
import { readAny } from "./read-any";

test("what stays out of a reference list is a list again, entry by entry, and reads the same", () => {
  const whole = `@book{a, title = {Peat :) and mires}, year = 2001}
@misc{b, note = {no name}}
@book{never, title = {ends
@book{c, title = {1) Mires}, year = 2002}`;
  const { file } = readAny("list.bib", whole);
  expect(file.root.children.map((one) => one.title)).toEqual(["Peat :) and mires", "1) Mires"]);
  expect(file.passedOver.map((one) => one.why)).toEqual(["nameless", "broken"]);
  const { ending, text } = passedOverFile("bibtex", file.passedOver);
  expect(ending).toBe("bib");
  expect(readAny("again.bib", text).file.passedOver).toEqual(file.passedOver);
  const ris = readAny("a.ris", "TY  - GEN\nN1  - nothing\nER  - \nTY  - BOOK\nTI  - Peat\nER  - \n");
  expect(readAny("b.ris", passedOverFile("ris", ris.file.passedOver).text).file.passedOver).toEqual(
    ris.file.passedOver,
  );
  expect(ris.file.passedOver).toHaveLength(1);
});

test("what is no address in bookmarks is named, with its words and where it leads", () => {
  const { file } = readAny(
    "bookmarks.html",
    `<!DOCTYPE NETSCAPE-Bookmark-file-1><DL><p>
<DT><A HREF="javascript:void(0)">=Do it</A>
<DT><A HREF="place:sort=8">Most visited</A>
<DD>Its own words
<DT><A HREF="https://bog.example/">Bog</A>
</DL>`,
  );
  expect(file.passedOver).toEqual([
    { text: "=Do it javascript:void(0)", why: "not-web" },
    { text: "Most visited place:sort=8", why: "not-web" },
  ]);
  expect(file.root.children).toHaveLength(1);
  expect(passedOverFile("bookmarks", file.passedOver).text).toBe(
    '\uFEFFWhat,Why\r\n"\'=Do it javascript:void(0)",No address of the web\r\nMost visited place:sort=8,No address of the web\r\n',
  );
});

/** Twice the file, twice the steps: entries that never end are not looked for to the end of the file each time. */
test("a list of entries that never end is read to its end", () => {
  const { file } = readAny("a.bib", "@book{a, title = {x\n".repeat(10_000));
  expect(file.passedOver).toHaveLength(10_000);
});
