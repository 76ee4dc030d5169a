import type { Tx } from "@/data/database";
import type { RowOf } from "@/data/entities";
import { findByAddress, type ResourceRow } from "@/data/queries/resources";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";

type Found = {
  id: string;
  /** As it was before; null when it is new. */
  known: ResourceRow | null;
  /** Whether it was in the catalogue already, and not in the bin. */
  already: boolean;
};

/**
 * The resource of an identity, once in a team: found, brought back out of the bin, or added. None of it is taken back by
 * undo: it may have been tagged or placed elsewhere by then.
 * @param hash of its address, or of what else it is known by
 * @param make the row of a new one; team, identity and times are filled in
 */
export async function findOrAdd(
  tx: Tx,
  set: ChangeSet,
  { team, person, hash }: { team: string; person: string; hash: string },
  make: (
    id: string,
  ) => Omit<RowOf<"resource">, "team" | "addressHash" | "addedBy" | "createdAt" | "updatedAt">,
): Promise<Found> {
  const known = await findByAddress(tx, team, hash);
  if (known?.deletedAt) await set.restore("resource", known, { forGood: true });
  if (known) return { id: known.id, known, already: !known.deletedAt };
  const id = newId();
  const common = { team, addressHash: hash, addedBy: person, createdAt: set.at, updatedAt: set.at };
  // That it was brought in is told once it is known where it goes.
  await set.add("resource", { ...make(id), ...common }, { along: true });
  return { id, known: null, already: false };
}
