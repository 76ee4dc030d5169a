import { asPrinted, type Pictures, type Printed } from "@/core/formats/printed/model";
import type { Reference } from "@/core/cite/bibliography";
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

/** More than this nobody prints, and no thread sets in a minute. */
const MOST_ITEMS = 5_000;
/** Pictures in one document; those behind are left out. */
const MOST_PICTURES = 1_000;
/** So many are read from the store at once. */
const AT_ONCE = 20;

/**
 * A collection with everything inside as PDF.
 * @param references its bibliography, or none
 * @throws {Problem} export-too-large
 */
export async function writePdf(tree: PublishedTree, paper: Paper, references: Reference[]): Promise<Buffer> {
  const printed = printedOf(tree, references);
  return set(printed, paper, await picturesIn(printed));
}

/**
 * The sheet learners are handed: beside each item the code that leads to it, and room to write.
 * @param leads where the page itself is read
 * @throws {Problem} export-too-large
 */
export async function writeSheet(
  tree: PublishedTree,
  paper: Paper,
  _: Reference[],
  leads: { page: string; at: string } | null,
): Promise<Buffer> {
  const printed = printedOf(tree, []);
  const addresses = [...new Set(entriesOf(printed).map((one) => one.address))].filter((one) =>
    /^https?:/.test(one),
  );
  const page = leads?.page ?? "";
  const [head, ...codes] = await unlessTooLarge(codesInThread([page, ...addresses]));
  const sheet = {
    codes: Object.fromEntries(addresses.map((address, i) => [address, codes[i]!])),
    ...{ head: page && head!, at: leads?.at ?? "" },
  };
  return set({ ...printed, sheet }, paper, {});
}

const set = (printed: Printed, paper: Paper, pictures: Pictures): Promise<Buffer> => {
  const fonts = settings().fonts.split(/\s+/);
  return unlessTooLarge(
    pdfInThread({ printed, pictures, fonts, paper: paper === "letter" ? "us-letter" : "a4" }),
  );
};

/**
 * The same as a document of a word processor.
 * @throws {Problem} export-too-large
 */
export async function writeDocx(tree: PublishedTree, paper: Paper, references: Reference[]): Promise<Buffer> {
  const printed = printedOf(tree, references);
  const pictures = await picturesIn(printed);
  return unlessTooLarge(docxInThread({ printed, paper, pictures }));
}

/**
 * The same as a book.
 * @throws {Problem} export-too-large
 */
export async function writeBook(tree: PublishedTree, _: Paper, references: Reference[]): Promise<Buffer> {
  const printed = printedOf(tree, references);
  return unlessTooLarge(epubInThread({ printed, pictures: await picturesIn(printed) }));
}

/**
 * The same as a workbook.
 * @throws {Problem} export-too-large
 */
export const writeWorkbook = (tree: PublishedTree): Promise<Buffer> =>
  unlessTooLarge(fileInThread({ tree, format: "xlsx" }));

function printedOf(tree: PublishedTree, references: Reference[]): Printed {
  const printed = asPrinted(tree, references);
  if (entriesOf(printed).length > MOST_ITEMS) throw new Problem("export-too-large");
  return printed;
}

const entriesOf = (printed: Printed) =>
  printed.parts.flatMap((part) => part.sections.flatMap((section) => section.entries));

/** The pictures of a document, by their hashes; what cannot be read is left out. */
async function picturesIn(printed: Printed): Promise<Record<string, Uint8Array>> {
  const hashes = new Set(entriesOf(printed).flatMap((one) => (one.picture ? [one.picture.hash] : [])));
  const wanted = [...hashes].slice(0, MOST_PICTURES);
  const found: Record<string, Uint8Array> = {};
  const known = await smallPictures(database(), wanted);
  for (let i = 0; i < wanted.length; i += AT_ONCE)
    await Promise.all(
      wanted.slice(i, i + AT_ONCE).map(async (hash) => {
        const made = await smallPicture(hash, known.get(hash));
        if (made) found[hash] = made;
      }),
    );
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
