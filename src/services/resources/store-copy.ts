import { lixOf } from "@/core/text/lix";
import { bandsOf, LIKELY_SAME, readSignature, resemblance } from "@/core/text/min-hash";
import type { Tx } from "@/data/database";
import { apartFrom, findText, nearTexts, storeText } from "@/data/queries/texts-and-files";
import { findByAddress, type ResourceRow } from "@/data/queries/resources";
import type { CopyOrigin } from "@/data/schema";
import { now } from "@/outside/clock";
import type { StoredCopy } from "@/outside/threads/read-page-thread";

/** What a person saw or typed themselves is not replaced by what a program fetched. */
const TRUST: Record<CopyOrigin, number> = { fetched: 0, file: 1, mail: 1, seen: 2, typed: 3 };

/**
 * Stores the reading copy of a resource, and the bands by which texts like it are found, unless what it has is to be
 * trusted more.
 * @returns whether it was stored
 */
export async function storeCopy(
  tx: Tx,
  row: Pick<ResourceRow, "id" | "team">,
  copy: StoredCopy,
  origin: CopyOrigin,
): Promise<boolean> {
  const there = await findText(tx, row.id);
  if (there && TRUST[there.origin] > TRUST[origin]) return false;
  const signature = readSignature(copy.signature);
  const text = { ...copy, lix: lixOf(copy.text), origin, at: now() };
  await storeText(tx, row, text, signature ? bandsOf(signature) : []);
  return true;
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
