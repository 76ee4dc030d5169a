import { contentBytes, type EditionContent, filesOf, itemsIn, withInside } from "@/core/editions/content";
import { insideOf } from "@/core/list/tree-moves";
import type { Tx } from "@/data/database";
import { collectionTree, lockCollections } from "@/data/queries/collections";
import { addEdition, newestEdition } from "@/data/queries/editions";
import { storeFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { contentNow } from "../editions/content-now";
import { contentOf } from "../editions/stored-content";

/**
 * Keeps a collection as it stands, with its pictures, files and reading copies, for those it is handed out to; its readers
 * are told of no edition.
 * @param unless the digest of what they have already: when nothing is other than that, nothing is kept
 * @returns the id of the edition; null when nothing has changed
 */
export async function storeEdition(
  tx: Tx,
  { team, collection, person, at }: { team: string; collection: string; person: string; at: Date },
  unless: string | null,
): Promise<string | null> {
  // So that what is read for it stands there until the end.
  await lockCollections(tx, [...insideOf(await collectionTree(tx, team), collection)]);
  const newest = await newestEdition(tx, collection, true);
  const before: EditionContent | null = newest && (await contentOf(newest.digest));
  const kept = await contentNow(tx, collection, at, { before });
  const digest = await storeFile(contentBytes(kept));
  if (digest === unless) return null;
  const items = withInside(kept.collection).flatMap(itemsIn);
  const id = newId();
  await addEdition(
    tx,
    { id, collection, number: null, digest, items: items.length, person, createdAt: at },
    filesOf(kept),
  );
  return id;
}
