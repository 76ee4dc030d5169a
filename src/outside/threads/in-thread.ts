import type { Words } from "@/core/health/likeness";
import path from "node:path";
import { Piscina } from "piscina";
import { log } from "../log";
import type { StyleProblem } from "@/core/cite/style-problems";
import type { Work } from "@/core/cite/csl-item";
import type { WrittenReferences } from "@/core/formats/references-write";
import type { PageFacts } from "@/core/page/facts";
import type { Searchable, Weighed } from "@/core/search/weigh";
import type { FeedDocument } from "@/core/feeds/entries";
import type { SitemapAnswer, SitemapTask } from "./read-sitemap-thread";
import type { FeedTask } from "./read-feed-thread";
import type { OfficeAnswer } from "./read-document-thread";
import type { ReadMessage } from "../read-message";
import type { PageWordsTask } from "./page-words-thread";
import type { StoredCopy, PageTask } from "./read-page-thread";
import type { Cited, CiteTask } from "./cite-thread";
import type { DocxAnswer, DocxTask } from "./write-docx-thread";
import type { EvidenceTask } from "./write-evidence-thread";
import type { EpubTask } from "./write-epub-thread";
import type { FileTask } from "./write-file-thread";
import type { PlaceTask } from "./place-marks-thread";
import type { PdfTask } from "./write-pdf-thread";
import type { Place } from "@/core/marks/place";

/** What takes longer than this was built to be slow, and is let go. */
const LIMIT = 6_000;

let pool: Piscina | undefined;

/** Threads for what would hold up the requests: two are enough for a small machine, and they end when idle. */
const threads = (): Piscina =>
  (pool ??= new Piscina({
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 20_000,
    resourceLimits: { maxOldGenerationSizeMb: 400 },
  }));

/** The QR code of each of these texts, as SVG for paper. @throws {TooSlow} when it takes longer than it may */
export const codesInThread = (texts: readonly string[], limit = 6_000): Promise<string[]> =>
  run("qr-thread", texts, limit);

/** What is kept of all words of a page. @throws when it takes longer than 6 s */
export const pageWordsInThread = (task: PageWordsTask): Promise<Words> => run("page-words-thread", task);

/** What a page says of itself. @throws when it takes longer than 6 s */
export const factsInThread = (task: Omit<PageTask, "want">): Promise<PageFacts> =>
  run("read-page-thread", { ...task, want: "facts" });

/** Thrown when something takes more memory than a thread has; it would another time, too. */
export class TooMuch extends Error {}

/** Thrown when something takes longer than it may; another time, with less to do beside it, it may be done. */
export class TooSlow extends Error {}
const noneUnlessSlow = (error: unknown): null => {
  if (error instanceof TooSlow) throw error;
  return null;
};

/**
 * The reading copy of a page; null when it has none.
 * @throws {TooSlow} when making it takes longer than 6 s
 */
export const copyInThread = (task: Omit<PageTask, "want">): Promise<StoredCopy | null> =>
  run<StoredCopy | null>("read-page-thread", { ...task, want: "copy" }).catch(noneUnlessSlow);

/**
 * The text of an office document; null when there is none, or the file is built to be large.
 * @throws {TooSlow} when it takes longer than 6 s
 * @param body a whole file of a word processor
 * @param plain whether only its words are wanted
 */
export const officeInThread = (body: Uint8Array, plain = false): Promise<OfficeAnswer> =>
  run<OfficeAnswer>("read-document-thread", { body, plain }).catch(noneUnlessSlow);

/** The links of a long text that are worth being offered. @throws {TooSlow} when it takes longer than 6 s */
export const linksInThread = (html: string): Promise<{ address: string; title: string }[]> =>
  run("read-links-thread", { html });

/** What is taken of a feed; null: it is none. @throws {TooSlow} when it takes longer than 6 s */
export const feedInThread = (task: FeedTask): Promise<FeedDocument | null> => run("read-feed-thread", task);

/** What a sitemap names that may be the page that is looked for. @throws when it unpacks to too much, or takes longer than 6 s */
export const sitemapInThread = (task: SitemapTask): Promise<SitemapAnswer> =>
  run("read-sitemap-thread", task);

/** A message as mailparser and our own rules read it. @throws {TooSlow} when it takes longer than 15 s */
export const messageInThread = async (raw: Buffer, attachments: boolean): Promise<ReadMessage> => {
  const read = await run<ReadMessage>("read-message-thread", { raw, attachments }, 15_000);
  // Bytes come out of a thread as plain ones.
  return {
    ...read,
    attachments: read.attachments.map((one) => ({ ...one, content: Buffer.from(one.content) })),
  };
};

/** A list of references as a file. */
export const referencesInThread = (works: readonly Work[], format: WrittenReferences): Promise<string> =>
  run("write-references-thread", { works, format }, 60_000);

/**
 * A document on pages, as PDF.
 * @throws {TooSlow} when it takes longer than it may
 */
export const pdfInThread = (task: PdfTask, limit = 60_000): Promise<Buffer> =>
  run<Uint8Array>("write-pdf-thread", task, limit).then(Buffer.from);

/**
 * The same as a document of a word processor.
 * @throws {TooSlow} when it takes longer than it may
 */
export const docxInThread = (task: DocxTask, limit = 60_000): Promise<DocxAnswer> =>
  run<DocxAnswer>("write-docx-thread", task, limit);

/**
 * A table of evidence as a document or a workbook.
 * @throws {TooSlow} when it takes longer than a minute
 */
export const evidenceInThread = (task: EvidenceTask): Promise<Buffer> =>
  run<Uint8Array>("write-evidence-thread", task, 60_000).then(Buffer.from);

/**
 * The bibliography of some works in a style, and how they are cited in a text.
 * @throws {TooSlow} when it takes longer than half a minute
 */
export const citeInThread = (task: CiteTask): Promise<Cited> => run("cite-thread", task, 30_000);

/** What keeps a file from being a citation style; empty: nothing. @throws {TooSlow} when it takes longer than 6 s */
export const styleProblemsInThread = (xml: string): Promise<StyleProblem[]> =>
  run("check-style-thread", { xml });

/**
 * A collection as a file of bytes.
 * @throws {TooSlow} when it takes longer than it may
 */
export const fileInThread = (task: FileTask, limit = 60_000): Promise<Buffer> =>
  run<Uint8Array>("write-file-thread", task, limit).then(Buffer.from);

/**
 * A collection as a book.
 * @throws {TooSlow} when it takes longer than it may
 */
export const epubInThread = (task: EpubTask, limit = 60_000): Promise<Buffer> =>
  run<Uint8Array>("write-epub-thread", task, limit).then(Buffer.from);

/** A HEIC picture as JPEG; null when it is none. */
export const heicInThread = (body: Uint8Array): Promise<Buffer | null> =>
  run<Uint8Array>("read-heic-thread", { body }).then(Buffer.from, () => null);

/** The terms of some resources with their weights, for the index of words. */
export const weighInThread = (resources: readonly Searchable[]): Promise<Weighed[][]> =>
  run("weigh-thread", { resources }, 30_000);

/**
 * Where the marks of a reading copy stand in it; null for those whose place is lost.
 * @throws {TooSlow} when it takes longer than half a minute
 */
export const placeInThread = (task: PlaceTask): Promise<(Place | null)[]> =>
  run("place-marks-thread", task, 30_000);

/** Runs one task; a thread that takes too long is ended, and the others go on. */
async function run<T>(file: string, task: object, limit = LIMIT): Promise<T> {
  const stop = new AbortController();
  // Tasks wait for one another, so a task's clock allows for those before it.
  const timer = setTimeout(() => stop.abort(), limit * (1 + Math.ceil(threads().queueSize / 2)));
  try {
    const filename = path.join(process.cwd(), `build/threads/${file}.mjs`);
    return (await threads().run(task, { filename, signal: stop.signal })) as T;
  } catch (error) {
    log.warn({ err: error, file }, stop.signal.aborted ? "what took too long was let go" : "a thread failed");
    if (stop.signal.aborted) throw new TooSlow(file, { cause: error });
    const isTooMuch = (error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY";
    throw isTooMuch ? new TooMuch(file, { cause: error }) : error;
  } finally {
    clearTimeout(timer);
  }
}

/** Ends the threads; for tests and tools that want to stop. */
export async function closeThreads(): Promise<void> {
  await pool?.destroy();
  pool = undefined;
}
