import sharp from "sharp";
import { asPrinted } from "@/core/formats/printed/model";
import type { PublishedTree } from "@/core/publish/model";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { forDocument } from "@/outside/pictures";
import {
  citeInThread,
  docxInThread,
  epubInThread,
  fileInThread,
  pdfInThread,
} from "@/outside/threads/in-thread";
import { worksOf } from "@/services/export/works";
import { publishedTree } from "@/services/reader/published-collection";
import { fillCollection } from "./fill";
import { type Figure, median, timed } from "./figures";

const ITEMS = 500;
const TIMES = 5;

/** What documents of 500 items cost, with a picture each, once a thread has read its letters; and bibliographies. */
export async function* measureDocuments(
  actor: Actor,
  team: string,
  resources: string[],
): AsyncGenerator<Figure> {
  const id = await fillCollection(actor, team, "Five hundred items", resources.slice(0, ITEMS));
  const tree = await publishedTree(database(), id);
  const webp = await pictures(tree);
  const printed = asPrinted(tree);
  const works = await worksOf(database(), tree);
  const seen = works.slice(0, 100);
  const cite = (style: "apa" | "ieee", some: typeof works) =>
    citeInThread({ works: some, style: { file: `assets/csl/styles/${style}.csl` }, language: "en" });
  // Small ones are made once, and stored.
  const small: Record<string, Uint8Array> = {};
  const making = await timed(async () => {
    const all = Object.entries(webp);
    for (let i = 0; i < all.length; i += 20)
      await Promise.all(
        all.slice(i, i + 20).map(async ([hash, bytes]) => void (small[hash] = (await forDocument(bytes))!)),
      );
  });
  const kinds: [what: string, limit: number, make: () => Promise<unknown>][] = [
    ["PDF", 1_500, () => pdfInThread({ printed, paper: "a4", pictures: small, fonts: ["/usr/share/fonts"] })],
    ["a document of a word processor", 1_200, () => docxInThread({ printed, paper: "a4", pictures: small })],
    ["a book (EPUB)", 300, () => epubInThread({ printed, pictures: small })],
    ["a workbook (XLSX), without pictures", 300, () => fileInThread({ tree, format: "xlsx" })],
    ["a bibliography of 100 of them in a new style", 800, () => cite("apa", seen)],
  ];
  yield {
    what: `Making the small pictures of ${ITEMS} items, once`,
    measured: `${making.toFixed(0)} ms`,
    aim: "said, not aimed at",
    met: true,
  };
  for (const [what, limit, make] of kinds) {
    await make();
    const times: number[] = [];
    for (let i = 0; i < TIMES; i++) times.push(await timed(make));
    const took = median(times);
    yield {
      what: `${ITEMS} items with a picture each as ${what}, median of ${TIMES}`,
      measured: `${took.toFixed(0)} ms`,
      aim: `at most ${limit} ms`,
      met: took <= limit,
    };
  }
}

/** Gives every item a picture of its own, soft as a photograph is. */
async function pictures(tree: PublishedTree) {
  const webp: Record<string, Uint8Array> = {};
  let n = 0;
  for (const section of tree.collection.sections)
    for (const item of section.items) {
      const hash = (++n).toString(16).padStart(64, "0");
      const noise = { type: "gaussian" as const, mean: 120, sigma: 30 };
      webp[hash] = await sharp({
        create: { width: 640, height: 400, channels: 3, background: "#000", noise },
      })
        .blur(2)
        .tint({ r: n % 255, g: 120, b: 90 })
        .webp({ quality: 78 })
        .toBuffer();
      item.picture = hash;
    }
  return webp;
}
