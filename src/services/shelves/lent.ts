import { contentBytes, type EditionContent } from "@/core/editions/content";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { addCredit } from "@/data/queries/credits";
import { newestEdition } from "@/data/queries/editions";
import { publicNow } from "@/data/queries/listings";
import { noteFile } from "@/data/queries/texts-and-files";
import { storeFile } from "@/outside/files";
import { contentNow } from "../editions/content-now";
import { contentForReaders } from "../editions/content-for-readers";

/** So many items of one are shown to be taken from, and taken at once. */
export const MOST_LENT = 2_000;

/** A public collection as its readers are shown it. */
export type Lent = {
  content: EditionContent;
  /** The number of the edition they are given; null: it is shown as it stands. */
  edition: number | null;
  code: string;
};

/**
 * A public collection as its readers are shown it at this moment, to be taken: as it stands, or its newest edition where
 * they are given that.
 * @returns null when it is not public
 */
export async function lentContent(tx: Tx, id: string, at: Date): Promise<Lent | null> {
  const open = await publicNow(tx, id, at);
  if (!open) return null;
  const { code } = open;
  if ((await findCollection(tx, id))!.shows === "living")
    return { content: await contentNow(tx, id, at, null), edition: null, code };
  const newest = await newestEdition(tx, id);
  return (
    newest && { content: await contentForReaders(tx, open.team, newest.digest), edition: newest.number, code }
  );
}

/** Writes down from where something is taken. @param pairs what became of what: ids there with ids here */
export async function creditTo(
  tx: Tx,
  { content, edition, code }: Lent,
  { id, team, at, pairs }: { id: string; team: string; at: Date; pairs: ReadonlyMap<string, string> },
): Promise<void> {
  const bytes = contentBytes(content);
  const digest = await storeFile(bytes);
  await noteFile(tx, { hash: digest, bytes: bytes.length, type: "application/json", createdAt: at });
  const { id: lender, title, teamName } = content.collection;
  await addCredit(tx, {
    ...{ id, team, lender, title, teamName, edition, code, digest },
    ...{ pairs: Object.fromEntries(pairs), settled: {}, asks: true, takenAt: at },
  });
}
