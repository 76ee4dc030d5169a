import { lixOf } from "@/core/text/lix";
import { bandsOf, LIKELY_SAME, readSignature, resemblance } from "@/core/text/min-hash";
import { countWords } from "@/core/text/minutes";
import { copyBytes } from "@/core/text/stored-copy";
import type { Tx } from "@/data/database";
import { addVersion, hasMarks, lastVersion, versionsOf } from "@/data/queries/marks";
import { apartFrom, findText, nearTexts, storeText } from "@/data/queries/texts-and-files";
import { picturesOfText } from "@/data/queries/text-pictures";
import { findByAddress, type ResourceRow } from "@/data/queries/resources";
import type { CopyOrigin } from "@/data/schema";
import type { ChangeSet } from "@/mechanism/change-set";
import { now } from "@/outside/clock";
import { storeFile } from "@/outside/files";
import { settings } from "@/outside/settings";
import type { StoredCopy } from "@/outside/threads/read-page-thread";
import { placeJob } from "../marks/place";
import { textPicturesJob } from "./blank";
import { storeKept } from "./keep-pictures";

type TextRow = NonNullable<Awaited<ReturnType<typeof findText>>>;

/** What a person saw or typed themselves is not replaced by what a program fetched. */
const TRUST: Record<CopyOrigin, number> = { fetched: 0, file: 1, mail: 1, seen: 2, typed: 3 };

/**
 * Stores the reading copy of a resource, and the bands by which texts like it are found, unless what it has is to be
 * trusted more. One that was another text stays as a version of it, and what is marked in it is looked for in the new one.
 * @returns whether it was stored
 */
export async function storeCopy(
  tx: Tx,
  set: Pick<ChangeSet, "enqueue" | "at">,
  row: Pick<ResourceRow, "id" | "team">,
  copy: StoredCopy,
  origin: CopyOrigin,
): Promise<boolean> {
  const there = await findText(tx, row.id);
  if (there && TRUST[there.origin] > TRUST[origin]) {
    if (there.html !== copy.html || there.text !== copy.text)
      await keepBeside(tx, row.id, there.number, copy, origin);
    return false;
  }
  if (there && there.html === copy.html && there.text === copy.text) {
    // The same again: it is as it was, and was seen to be so now.
    await storeText(tx, row, { ...there, lix: lixOf(copy.text), origin, at: now() }, bandsIn(copy.signature));
    if (!(await picturesOfText(tx, row.id, there.number)).length)
      await keepPictures(tx, set, row, there.number, copy);
    return true;
  }
  const number = Math.max(there?.number ?? 0, await lastVersion(tx, row.id)) + 1;
  const { html, text, signature } = copy;
  await useCopy(tx, set, row, { html, text, signature, origin, number, at: now() });
  await keepPictures(tx, set, row, number, copy);
  return true;
}

/** The pictures of a page come after its text, by a job of their own: nobody waits for them to read. Those of a file are there. */
async function keepPictures(
  tx: Tx,
  set: Pick<ChangeSet, "enqueue" | "at">,
  row: Pick<ResourceRow, "id" | "team">,
  number: number,
  { pictures, kept }: StoredCopy,
): Promise<void> {
  if (kept?.length) await storeKept(tx, row.id, number, kept, set.at);
  if (pictures?.length && Number(settings().copyPictures) > 0)
    set.enqueue(textPicturesJob(row.id, row.team, { number, pictures }, set.at));
}

/** Puts a copy in the place of the one a resource has, which is kept; what is marked is looked for in it. */
export async function useCopy(
  tx: Tx,
  set: Pick<ChangeSet, "enqueue" | "at">,
  row: Pick<ResourceRow, "id" | "team">,
  copy: StoredCopy & { origin: CopyOrigin; number: number; at: Date },
): Promise<void> {
  const there = await findText(tx, row.id);
  if (there) await keepVersion(tx, there);
  await storeText(tx, row, { ...copy, lix: lixOf(copy.text) }, bandsIn(copy.signature));
  if (await hasMarks(tx, row.id)) set.enqueue(placeJob(row.id, row.team, set.at));
}

function bandsIn(written: string): string[] {
  const signature = readSignature(written);
  return signature ? bandsOf(signature) : [];
}

/** Keeps a copy beside the one that is trusted more, unless it is the same as the last one. */
async function keepBeside(
  tx: Tx,
  resource: string,
  inUse: number,
  { html, text }: StoredCopy,
  origin: CopyOrigin,
): Promise<void> {
  const digest = await storeFile(copyBytes({ html, text }));
  const [last] = await versionsOf(tx, resource, 1);
  if (last?.digest === digest) return;
  const number = Math.max(inUse, last?.number ?? 0) + 1;
  await addVersion(tx, { resource, number, origin, at: now(), digest, words: countWords(text) });
}

/** Keeps a copy that gives way to another one: what was marked in it may stand nowhere else. */
async function keepVersion(tx: Tx, { resource, number, origin, at, html, text }: TextRow): Promise<void> {
  const digest = await storeFile(copyBytes({ html, text }));
  await addVersion(tx, { resource, number, origin, at, digest, words: countWords(text) });
}

/** The older resource this one seems to be again: by the page's own address, or by near-equal words. */
export async function findDuplicate(
  tx: Tx,
  row: Pick<ResourceRow, "id" | "team">,
  canonicalHash: string | null,
  signature: string,
): Promise<string | null> {
  const likely: string[] = [];
  const same = canonicalHash ? await findByAddress(tx, row.team, canonicalHash) : null;
  if (same && same.id !== row.id && !same.deletedAt) likely.push(same.id);
  const own = readSignature(signature);
  if (own)
    for (const near of await nearTexts(tx, row.team, bandsOf(own), row.id)) {
      const other = readSignature(near.signature);
      if (other && resemblance(own, other) >= LIKELY_SAME) likely.push(near.id);
    }
  const apart = await apartFrom(tx, row.id, likely);
  const older = likely.filter((id) => !apart.has(id) && id < row.id);
  return older[0] ?? null;
}
