import { expect, test } from "vitest";
import { said, version } from "../outside/said/documents.json";
import { HEADINGS, LINKS } from "../outside/sources/course";

/** As `npm run test:outside -- documents` wrote it down. */
test("EPUBCheck and Ace find nothing, LibreOffice all headings, pandoc all links, in their order", () => {
  expect(version).toMatch(/ace.*EPUBCheck 4.*LibreOffice.*pandoc/);
  expect(said.EPUBCheck).toEqual([]);
  expect(said.Ace).toEqual([]);
  // How long a section takes stands in its heading, smaller.
  expect(said["LibreOffice, headings"].map((one) => one.replace(/ \d+ min$/, ""))).toEqual(HEADINGS);
  const found = said["pandoc, links"].filter((one, i, all) => LINKS.includes(one) && all.indexOf(one) === i);
  expect(found).toEqual(LINKS);
});

test("LibreOffice opens what is put into a template: its letterhead, and our headings in its own styles", () => {
  const [first, ...rest] = said["LibreOffice, in a template"];
  expect([first, ...rest]).toEqual(
    expect.arrayContaining(["Peatland course", "Week 1: what a bog is", "References"]),
  );
  expect(rest.some((line) => line.includes("Moor-Schule am Wald"))).toBe(true);
  expect(rest.some((line) => line.includes("Before it"))).toBe(true);
});
