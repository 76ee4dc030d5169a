import type { Tx } from "@/data/database";
import type { RowOf } from "@/data/entities";
import type { Sight } from "@/data/queries/guests";
import { type ResourceRow, resourcesByHash } from "@/data/queries/resources";
import type { ChangeSet } from "@/mechanism/change-set";
import { seenResources } from "@/mechanism/sight";
import { identityHash } from "@/outside/hash";
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
/** `sight`: of a guest, what alone they see. */
type Whose = { team: string; person: string; sight?: Sight };

/**
 * The resources of these identities, each once in a team: found, brought back out of the bin, or added. It is the only
 * way into the catalogue. None of it is taken back by undo: it may have been tagged or placed elsewhere by then.
 * @param wanted by the hash of their address, or of what else they are known by
 * @returns the same, by the same hashes
 */
export async function findOrAddAll(
  tx: Tx,
  set: ChangeSet,
  { team, person, sight }: Whose,
  wanted: ReadonlyMap<string, Make>,
): Promise<Map<string, Found>> {
  const { known, hashes } = await knownTo({ team, person, sight }, tx, [...wanted.keys()]);
  const binned = new Map([...known.values()].flatMap((row) => (row.deletedAt ? [[row.id, row]] : [])));
  await set.restore("resource", [...binned.values()], { forGood: true });
  const found = new Map<string, Found>();
  const fresh: RowOf<"resource">[] = [];
  for (const [addressHash, make] of wanted) {
    const there = known.get(addressHash);
    const id = there?.id ?? newId();
    found.set(addressHash, { id, known: there ?? null, already: there !== undefined && !there.deletedAt });
    if (!there)
      fresh.push({
        createdAt: set.at,
        ...make(id),
        team,
        addressHash: hashes.get(addressHash)!,
        addedBy: person,
        updatedAt: set.at,
      });
  }
  // That it was brought in is told once it is known where it goes.
  await set.add("resource", fresh, { along: true });
  return found;
}

/**
 * What a team has of these identities, as far as somebody may know of it. A guest who brings in what the team has where
 * they do not see it is told nothing of that: theirs is a resource of its own, found among the likely duplicates.
 * @returns what is there by the hashes asked for, and under which hash each is, or is to be, kept
 */
async function knownTo({ team, person, sight }: Whose, tx: Tx, hashes: readonly string[]) {
  const all = await resourcesByHash(tx, team, hashes);
  const kept = new Map(hashes.map((hash) => [hash, hash]));
  if (!sight) return { known: all, hashes: kept };
  const own = new Map(hashes.map((hash) => [hash, identityHash(`guest:${person} ${hash}`)]));
  const theirs = await resourcesByHash(tx, team, [...own.values()]);
  const rows = [...all.values(), ...theirs.values()];
  const seen = await seenResources(
    tx,
    sight,
    rows.map((row) => row.id),
  );
  const known = new Map<string, ResourceRow>();
  for (const hash of hashes) {
    const mine = theirs.get(own.get(hash)!);
    const there = [all.get(hash), mine].find((row) => row && !row.deletedAt && seen.has(row.id));
    if (there) known.set(hash, there);
    else if (mine) kept.set(hash, identityHash(`guest:${newId()}`));
    else if (all.has(hash)) kept.set(hash, own.get(hash)!);
  }
  return { known, hashes: kept };
}

/** The same for a single one. */
export const findOrAdd = async (
  tx: Tx,
  set: ChangeSet,
  { hash, ...whose }: Whose & { hash: string },
  make: Make,
): Promise<Found> => (await findOrAddAll(tx, set, whose, new Map([[hash, make]]))).get(hash)!;
