import { readFileSync } from "node:fs";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { readDocument } from "@/outside/documents/read-document";
import asked from "../outside/said/pictures.json" with { type: "json" };

const read = (name: string) => readDocument(readFileSync(`tests/reference/files/documents/${name}`), name);
/** What stands before a place, as it is written but for blanks and tags. */
const before = (html: string, at: number) => html.replace(/<[^>]*>|\s+/g, "").slice(0, at);
const bare = (line: string) =>
  line
    .replace(/\[\]\{[^}]*\}|\{[^}]*\}|[#\s]/g, "")
    .replaceAll("&", "&amp;")
    .replace(/"([^"]*)"/g, "“$1”");

/** Written by pandoc, which says in which order it finds words and pictures in its own files: tests/outside/pictures.mjs. */
describe("the pictures in documents somebody else's program wrote", () => {
  test.each(["with-pictures.docx", "with-pictures.odt", "with-pictures.epub"] as const)(
    "%s: each stands behind the words it stands behind there",
    async (name) => {
      const lines = asked.said[name];
      const places = lines.flatMap((line, i) => (/^(?:<img|!\[)/.test(line) ? [bare(lines[i - 1]!)] : []));
      const { copy, inside } = await read(name);
      expect(places).toHaveLength(2);
      expect(inside.map(({ at }, i) => before(copy!.html, at).endsWith(places[i]!))).toEqual([true, true]);
      for (const { content } of inside)
        expect(await sharp(content).metadata()).toMatchObject({ format: "png", width: 240, height: 160 });
      // Its alternative text; pandoc writes none into an OpenDocument file, and puts it below as a line.
      expect(inside.map(({ alt }) => alt)).toEqual([
        name.endsWith("odt") ? "" : "The dam “of peat” from above",
        "",
      ]);
      expect(copy!.html).not.toMatch(/<img|<p><\/p>|inside:/);
    },
  );

  test("with-pictures.pptx: each on its slide", async () => {
    const { copy, inside } = await read("with-pictures.pptx");
    expect(inside.map(({ at }) => /(dam\.|west)$/.exec(before(copy!.html, at))?.[1])).toEqual([
      "dam.",
      "west",
    ]);
  });
});
