import type { EditionContent } from "@/core/editions/content";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { newestEdition } from "@/data/queries/editions";
import { publicNow } from "@/data/queries/listings";
import { contentNow } from "../editions/content-now";
import { contentOf } from "../editions/stored-content";

/**
 * A public collection as its readers are shown it at this moment, to be taken: as it stands, or its newest edition where
 * they are given that.
 * @returns null when it is not public
 */
export async function lentContent(tx: Tx, id: string, at: Date): Promise<EditionContent | null> {
  if (!(await publicNow(tx, id, at))) return null;
  if ((await findCollection(tx, id))!.shows === "living") return contentNow(tx, id, at, null);
  const newest = await newestEdition(tx, id);
  return newest && contentOf(newest.digest);
}
