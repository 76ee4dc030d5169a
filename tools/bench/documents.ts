import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import type { Readable } from "node:stream";
import { serialize } from "node:v8";
import type { PlacedWork } from "@/core/cite/arranged";
import type { PdfTask } from "@/outside/threads/write-pdf-thread";
import { makeFile } from "@/services/export/make";
import { WHILE_NOBODY_WAITS } from "@/services/export/run-order";
import { WHILE_ONE_WAITS } from "@/services/export/pages";
import { cited } from "@/services/references/cited";
import sharp from "sharp";
import { DOCUMENTS, REFERENCES, TEXTS } from "@/core/formats/offered";
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
    ["a bibliography of 100 of them in a style its thread has read", 800, () => cite("apa", seen)],
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
  yield* measureFolder(actor, id);
  yield* measureCiting(works);
  yield await memoryOfPdf({ printed, paper: "a4", pictures: small, fonts: ["/usr/share/fonts"] });
}

const MANY = 10_000;
/** As many as a sheet for learners holds. */
const SHEET = 2_000;

/** A collection of ten thousand in every format, as it is made when it was ordered: that it comes, and what it takes. */
export async function* measureManyOut(
  actor: Actor,
  team: string,
  resources: string[],
): AsyncGenerator<Figure> {
  const all = await fillCollection(actor, team, "Ten thousand items", resources.slice(0, MANY));
  const patience = { ...WHILE_NOBODY_WAITS, tell: () => undefined };
  const some = await fillCollection(actor, team, "Two thousand items", resources.slice(0, SHEET));
  for (const { format, name } of [...DOCUMENTS, ...TEXTS, ...REFERENCES]) {
    const [count, collection] = format === "sheet" ? [SHEET, some] : [MANY, all];
    let bytes = 0;
    let why = "";
    const make = async () => {
      const { content } = await makeFile(actor, { collection, format }, patience);
      if (typeof content === "string" || Buffer.isBuffer(content)) bytes = Buffer.byteLength(content);
      else for await (const part of content) bytes += (part as Buffer).length;
    };
    const took = await timed(() => make().catch((error: unknown) => (why = String(error))));
    yield {
      what: `${count.toLocaleString("en")} items as ${name}, made when ordered`,
      measured: why || `${(took / 1000).toFixed(1)} s, ${(bytes / 1e6).toFixed(1)} MB`,
      aim: "comes",
      met: bytes > count * 10,
    };
  }
}

/** The folder for a stick, packed, as it is sent. */
async function* measureFolder(actor: Actor, collection: string): AsyncGenerator<Figure> {
  const pack = async () => {
    const made = await makeFile(actor, { collection, format: "folder", copies: "all" }, WHILE_ONE_WAITS);
    for await (const _ of made.content as Readable);
  };
  await pack();
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) times.push(await timed(pack));
  const took = median(times);
  yield {
    what: `${ITEMS} items as a folder for a stick, median of ${TIMES}`,
    measured: `${took.toFixed(0)} ms`,
    aim: "at most 1,000 ms",
    met: took <= 1_000,
  };
}

/** Citing: what was seen before, one thing alone, and a thousand with and without the same names. */
async function* measureCiting(works: readonly PlacedWork[]): AsyncGenerator<Figure> {
  const style = { id: "ieee", name: "IEEE", source: { file: "assets/csl/styles/ieee.csl" } };
  const apa = { id: "apa", name: "APA", source: { file: "assets/csl/styles/apa.csl" } };
  const some = works.slice(0, 100);
  await cited(some, style, "en");
  const again = await timed(() => cited(some, style, "en"));
  yield {
    what: "A bibliography of 100 in a style that was seen before",
    measured: `${again.toFixed(1)} ms`,
    aim: "under 50 ms",
    met: again < 50,
  };
  const one: number[] = [];
  for (const work of works.slice(100, 120))
    one.push(await timed(() => cited([work], apa, "en", { label: "page", at: "14" })));
  yield {
    what: "One citation, of a thing not cited before, median of 20",
    measured: `${median(one).toFixed(0)} ms`,
    aim: "under 50 ms",
    met: median(one) < 50,
  };
  const thousand = (authors: (i: number) => string[]) =>
    Array.from({ length: 1_000 }, (_, i) => ({
      ...works[i % works.length]!,
      ...{
        id: `work ${i}`,
        title: `Reading number ${i}`,
        authors: authors(i),
        published: `${2000 + (i % 20)}`,
      },
    }));
  const kinds = [
    ["with varied names", 4_000, (i: number) => [`Weld${i}, Ona`, `Lind${i % 331}, Tomas`]],
    ["with many same names", 12_000, (i: number) => [`Weld, ${"ABCDE"[i % 5]}na`, `Lind, Tomas`]],
  ] as const;
  for (const [what, limit, authors] of kinds) {
    const took = await timed(() => cited(thousand(authors), apa, "en"));
    yield {
      what: `A bibliography of 1,000 ${what}, in a thread`,
      measured: `${(took / 1000).toFixed(1)} s`,
      aim: `within ${limit / 1000} s`,
      met: took <= limit,
    };
  }
}

/**
 * What setting a PDF takes, in a process of its own: its greatest size beside that before it began, letters and all. The
 * greatest size is read as VmHWM (proc(5)): what getrusage(2) says is never less than the size of whoever started it.
 */
async function memoryOfPdf(task: PdfTask): Promise<Figure> {
  const folder = mkdtempSync(path.join(tmpdir(), "hobbin-bench-pdf-"));
  try {
    const file = path.join(folder, "task");
    writeFileSync(file, serialize(task));
    const script = `import { readFileSync } from "node:fs"; import { deserialize } from "node:v8"; import work from ${JSON.stringify(path.resolve("build/threads/write-pdf-thread.mjs"))};
      const before = process.memoryUsage().rss; work(deserialize(readFileSync(process.argv[1])));
      console.log(Number(/VmHWM:\\s+(\\d+) kB/.exec(readFileSync("/proc/self/status", "utf8"))[1]) * 1024 - before);`;
    const said = execFileSync(process.execPath, ["--input-type=module", "-e", script, file], {
      encoding: "utf8",
    });
    const bytes = Number(said);
    return {
      what: `The memory a PDF of ${ITEMS} items with pictures takes, with its letters`,
      measured: `${Math.round(bytes / 1e6)} MB`,
      aim: "at most 200 MB",
      met: bytes <= 200e6,
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
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
