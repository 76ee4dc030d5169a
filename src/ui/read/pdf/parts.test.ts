import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { PDF_NEEDS } from "./parts";

/** What mends old slips of what every browser has, and what is there only for browsers' own worlds. */
const MENDS = ["array.push", "iterator.constructor", "json.parse", "json.stringify", "dom-exception.stack"];
const MENDS_TOO = ["self", "url-search-params.delete", "url-search-params.has"];

/** The build for other browsers names all it brings along: by modules of core-js, of which each is called after what it fills. */
test("a browser is given the build without fillings when it has all that the other one fills", () => {
  const filled = new Set(
    ["pdf.mjs", "pdf.worker.mjs"].flatMap((script) => {
      const text = readFileSync(`node_modules/pdfjs-dist/legacy/build/${script}`, "utf8");
      return [...text.matchAll(/core-js\/modules\/(?:es|web)\.([a-z\d.-]+?)(?:\.v\d)?\.js/g)].map(
        ([, one]) => one!,
      );
    }),
  );
  expect(filled.size).toBeGreaterThan(30);
  const bare = (name: string) => name.replaceAll("-", "").toLowerCase();
  const needs = PDF_NEEDS.map((name) => bare(name.replace(".prototype", "")));
  const wanted = [...filled]
    .filter((one) => ![...MENDS, ...MENDS_TOO].includes(one))
    // Arrays of each type have it from one they share.
    .map((one) => bare(one.replace("typed-array", "uint8-array")));
  expect(needs.toSorted()).toEqual(wanted.toSorted());
});
