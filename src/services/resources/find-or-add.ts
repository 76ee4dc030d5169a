import type { Tx } from "@/data/database";
import type { RowOf } from "@/data/entities";
import { type ResourceRow, resourcesByHash } from "@/data/queries/resources";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";

type Found = {
  id: string;
  /** As it was before; null when it is new. */
  known: ResourceRow | null;
  /** Whether it was in the catalogue already, and not in the bin. */
  already: boolean;
};
/** Makes the row of a new resource; team, identity and times are filled in where it does not say them itself. */
type Make = (
  id: string,
) => Omit<RowOf<"resource">, "team" | "addressHash" | "addedBy" | "createdAt" | "updatedAt"> &
  Partial<Pick<RowOf<"resource">, "createdAt">>;
type Whose = { team: string; person: string };

/**
 * The resources of these identities, each once in a team: found, brought back out of the bin, or added. It is the only
 * way into the catalogue. None of it is taken back by undo: it may have been tagged or placed elsewhere by then.
 * @param wanted by the hash of their address, or of what else they are known by
 * @returns the same, by the same hashes
 */
export async function findOrAddAll(
  tx: Tx,
  set: ChangeSet,
  { team, person }: Whose,
  wanted: ReadonlyMap<string, Make>,
): Promise<Map<string, Found>> {
  const known = await resourcesByHash(tx, team, [...wanted.keys()]);
  const binned = new Map([...known.values()].flatMap((row) => (row.deletedAt ? [[row.id, row]] : [])));
  await set.restore("resource", [...binned.values()], { forGood: true });
  const found = new Map<string, Found>();
  const fresh: RowOf<"resource">[] = [];
  for (const [addressHash, make] of wanted) {
    const there = known.get(addressHash);
    const id = there?.id ?? newId();
    found.set(addressHash, { id, known: there ?? null, already: there !== undefined && !there.deletedAt });
    if (!there)
      fresh.push({ createdAt: set.at, ...make(id), team, addressHash, addedBy: person, updatedAt: set.at });
  }
  // That it was brought in is told once it is known where it goes.
  await set.add("resource", fresh, { along: true });
  return found;
}

/** The same for a single one. */
export const findOrAdd = async (
  tx: Tx,
  set: ChangeSet,
  { hash, ...whose }: Whose & { hash: string },
  make: Make,
): Promise<Found> => (await findOrAddAll(tx, set, whose, new Map([[hash, make]]))).get(hash)!;
