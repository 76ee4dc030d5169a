import { itemsIn, withInside } from "@/core/editions/content";
import type { PublishedCollection } from "@/core/publish/model";
import type { ReaderPlaces } from "@/core/publish/reader-places";
import { resourceOfPlacement } from "@/data/queries/placements";
import { shortCodesOf } from "@/data/queries/sharing";
import { findText } from "@/data/queries/texts-and-files";
import { database } from "@/mechanism/changing";
import { readStored } from "@/outside/files";
import { contentForReaders } from "../editions/content-for-readers";
import { type AskedPart, placesOf } from "./places";
import { readPublished } from "./read";
import { type Behind, type BehindEdition, editionAsked, shownBehind } from "./shown-behind";

type Found = { behind: Behind; edition: BehindEdition | null };

/** What readers who ask for this are shown now; null when it is nothing. */
async function foundBehind({ code, part, edition: number }: AskedPart, at: Date): Promise<Found | null> {
  const behind = await shownBehind(database(), code, at);
  const edition = behind && editionAsked(behind, number ?? null);
  if (!behind || !edition) return null;
  if (edition === "living") return part && !behind.parts.has(part) ? null : { behind, edition: null };
  return edition.withdrawnAt ? null : { behind, edition };
}

/** The collection as it is shown to who has the code. @returns null when it is no part of the edition */
export async function readBehind(
  code: string,
  { behind, edition }: Found,
  part: string | null,
): Promise<PublishedCollection | null> {
  const asked = edition
    ? { collection: behind.root, edition: edition.number, part }
    : { collection: part ?? behind.root };
  if (edition && part) {
    const all = await keptIn(behind, edition);
    if (!all.some((one) => one.id === part)) return null;
  }
  return (await readPublished.call({ person: null, share: code }, asked)).collection;
}

/** What is shared under a code, for other documents of it that are made when asked for. */
export async function publishedBehind(asked: AskedPart, at: Date) {
  const found = await foundBehind(asked, at);
  const collection = found && (await readBehind(asked.code, found, asked.part ?? null));
  if (!collection) return null;
  const { id } = collection;
  const short = (await shortCodesOf(database(), [id], at)).get(id)?.code ?? null;
  return { collection, places: placesOf(asked), short, copyOf: (item: string) => copyOf(found, item) };
}

/** The reading copy of an item, as it is or as it was in the edition. */
async function copyOf({ behind, edition }: Found, item: string): Promise<{ html: string; at: Date } | null> {
  if (!edition) {
    const resource = await resourceOfPlacement(database(), item);
    return (resource && (await findText(database(), resource))) || null;
  }
  const all = (await keptIn(behind, edition)).flatMap(itemsIn);
  const text = all.find((one) => one.id === item)?.text;
  const bytes = text && (await readStored(text.hash));
  return bytes ? { html: new TextDecoder().decode(bytes), at: new Date(text.at) } : null;
}

/** Of a course so many collections are read for one answer. */
const MOST_PARTS = 200;

/**
 * A collection that is shared under a code, or a part of it, and after it everything inside that readers are shown, the
 * first 200 of it.
 */
export async function allBehind(asked: AskedPart, at: Date) {
  const found = await foundBehind(asked, at);
  if (!found) return null;
  const { behind, edition } = found;
  const top = asked.part ?? behind.root;
  const all: { collection: PublishedCollection; places: ReaderPlaces }[] = [];
  for (const id of (edition ? await insideEdition(behind, edition, top) : [top, ...behind.below(top)]).slice(
    0,
    MOST_PARTS,
  )) {
    const part = id === behind.root ? null : id;
    const collection = await readBehind(asked.code, found, part);
    if (collection) all.push({ collection, places: placesOf({ ...asked, part }) });
  }
  return all.length ? all : null;
}

/** Every collection of an edition as readers are given it now. */
const keptIn = async ({ team }: Behind, { digest }: BehindEdition) =>
  withInside((await contentForReaders(database(), team, digest)).collection);

/** A collection in an edition, and those in it. */
async function insideEdition(behind: Behind, edition: BehindEdition, top: string): Promise<string[]> {
  const found = (await keptIn(behind, edition)).find((one) => one.id === top);
  return found ? withInside(found).map((one) => one.id) : [];
}
