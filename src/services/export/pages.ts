import { asPrinted, type Pictures, type Printed } from "@/core/formats/printed/model";
import type { Reference } from "@/core/cite/bibliography";
import type { OrderStep } from "@/data/schema/exports";
import type { BookCopy } from "@/core/formats/printed/epub-write";
import type { PublishedTree } from "@/core/publish/model";
import { noteSmall, smallPictures } from "@/data/queries/texts-and-files";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { readStored, storeFile } from "@/outside/files";
import { forDocument } from "@/outside/pictures";
import { settings } from "@/outside/settings";
import {
  codesInThread,
  docxInThread,
  epubInThread,
  fileInThread,
  pdfInThread,
} from "@/outside/threads/in-thread";
import { unlessTooLarge } from "./unless-too-large";

export type Paper = "a4" | "letter";

/** How much is made, in how many milliseconds of a thread, and who hears how far it is. */
export type Patience = {
  items: number;
  limit: number;
  tell: (step: OrderStep, done?: number, total?: number) => void;
};
/** What only some documents have. */
export type More = {
  /** Of the sheet: where the page itself is read. */
  leads: { page: string; at: string } | null;
  /** Of a document of a word processor: the hash of the one it is put into. */
  inTemplate: string | null;
  /** Of a book. */
  copies: readonly BookCopy[];
};
/** While somebody's page waits: more than this no thread sets in a minute. */
export const WHILE_ONE_WAITS: Patience = { items: 5_000, limit: 60_000, tell: () => undefined };
/** Pictures in one document; those behind are left out. */
const MOST_PICTURES = 1_000;
/** So many are read from the store at once. */
const AT_ONCE = 20;

/**
 * A collection with everything inside as PDF.
 * @param references its bibliography, or none
 * @throws {Problem} export-too-large
 */
export async function writePdf(
  tree: PublishedTree,
  paper: Paper,
  references: Reference[],
  patience: Patience,
): Promise<Buffer> {
  const printed = printedOf(tree, references, patience);
  return set(printed, paper, await picturesIn(printed, patience), patience);
}

/** Nobody hands out more pages than these come to, and their codes would not fit into a thread. */
const MOST_CODES = 2_000;

/**
 * The sheet learners are handed: beside each item the code that leads to it, and room to write.
 * @throws {Problem} export-too-large, sheet-too-long
 */
export async function writeSheet(
  tree: PublishedTree,
  paper: Paper,
  _: Reference[],
  patience: Patience,
  { leads }: More,
): Promise<Buffer> {
  const printed = printedOf(tree, [], patience);
  const addresses = [...new Set(entriesOf(printed).map((one) => one.address))].filter((one) =>
    /^https?:/.test(one),
  );
  if (addresses.length > MOST_CODES) throw new Problem("sheet-too-long");
  const page = leads?.page ?? "";
  const [head, ...codes] = await unlessTooLarge(codesInThread([page, ...addresses], patience.limit));
  const sheet = {
    codes: Object.fromEntries(addresses.map((address, i) => [address, codes[i]!])),
    ...{ head: page && head!, at: leads?.at ?? "" },
  };
  return set({ ...printed, sheet }, paper, {}, patience);
}

const set = (
  printed: Printed,
  paper: Paper,
  pictures: Pictures,
  { limit, tell }: Patience,
): Promise<Buffer> => {
  const fonts = settings().fonts.split(/\s+/);
  tell("setting");
  return unlessTooLarge(
    pdfInThread({ printed, pictures, fonts, paper: paper === "letter" ? "us-letter" : "a4" }, limit),
  );
};

/**
 * The same as a document of a word processor.
 * @throws {Problem} export-too-large
 */
export async function writeDocx(
  tree: PublishedTree,
  paper: Paper,
  references: Reference[],
  patience: Patience,
  { inTemplate }: More,
): Promise<Buffer> {
  const printed = printedOf(tree, references, patience);
  const pictures = await picturesIn(printed, patience);
  patience.tell("setting");
  const template = inTemplate && (await templateOf(inTemplate));
  const task = { printed, paper, pictures, ...(template && { template }) };
  const made = await unlessTooLarge(docxInThread(task, patience.limit));
  // It was looked over when it was set; a document in another look is better than none.
  const done = "refused" in made ? await docxInThread({ printed, paper, pictures }, patience.limit) : made;
  if ("refused" in done) throw new Error(done.refused);
  return Buffer.from(done.bytes);
}

const templateOf = (hash: string): Promise<Uint8Array | null> => readStored(hash).catch(() => null);

/**
 * The same as a book.
 * @throws {Problem} export-too-large
 */
export async function writeBook(
  tree: PublishedTree,
  _: Paper,
  references: Reference[],
  patience: Patience,
  { copies }: More,
): Promise<Buffer> {
  const printed = printedOf(tree, references, patience);
  const pictures = await picturesIn(printed, patience);
  patience.tell("setting");
  return unlessTooLarge(epubInThread({ printed, pictures, copies }, patience.limit));
}

/**
 * The same as a workbook.
 * @throws {Problem} export-too-large
 */
export const writeWorkbook = (
  tree: PublishedTree,
  _: Paper,
  __: Reference[],
  { limit, tell }: Patience,
): Promise<Buffer> => {
  tell("setting");
  return unlessTooLarge(fileInThread({ tree, format: "xlsx" }, limit));
};

function printedOf(tree: PublishedTree, references: Reference[], { items }: Patience): Printed {
  const printed = asPrinted(tree, references);
  if (entriesOf(printed).length > items) throw new Problem("export-too-large");
  return printed;
}

const entriesOf = (printed: Printed) =>
  printed.parts.flatMap((part) => part.sections.flatMap((section) => section.entries));

/** The pictures of a document, by their hashes; what cannot be read is left out. */
async function picturesIn(printed: Printed, { tell }: Patience): Promise<Record<string, Uint8Array>> {
  const hashes = new Set(entriesOf(printed).flatMap((one) => (one.picture ? [one.picture.hash] : [])));
  const wanted = [...hashes].slice(0, MOST_PICTURES);
  const found: Record<string, Uint8Array> = {};
  const known = await smallPictures(database(), wanted);
  for (let i = 0; i < wanted.length; i += AT_ONCE) {
    tell("pictures", i, wanted.length);
    await Promise.all(
      wanted.slice(i, i + AT_ONCE).map(async (hash) => {
        const made = await smallPicture(hash, known.get(hash));
        if (made) found[hash] = made;
      }),
    );
  }
  return found;
}

/**
 * A picture as it stands in documents, made once and stored beside it.
 * @returns null for one that is gone from the store, or is none: it does not keep anybody from their document
 */
async function smallPicture(hash: string, small: string | undefined): Promise<Uint8Array | null> {
  const stored = small && (await readStored(small).catch(() => null));
  if (stored) return stored;
  const bytes = await readStored(hash).catch(() => null);
  const made = bytes && (await forDocument(bytes));
  if (made) await noteSmall(database(), hash, await storeFile(made));
  return made;
}
