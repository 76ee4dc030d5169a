import { groupBy } from "@/core/list/group-by";
import { keysAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import type { RowOf } from "@/data/entities";
import { lockTeam } from "@/data/queries/collections";
import { lastCollectionKeys, lastSectionKeys } from "@/data/queries/order";
import { type ImportRow, writeImport, treeOf } from "@/data/queries/imports";
import { sectionsIn } from "@/data/queries/sections";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";

type Standing = ImportRow["standing"];

/**
 * Makes the collections and sections an import needs, all in one transaction with the note of which they are. A
 * collection of the same name in the same place is taken as it is, so that the same file twice makes none.
 */
export async function makePlaces(tx: Tx, set: ChangeSet, row: ImportRow): Promise<Standing> {
  const { at } = set;
  // Two that make collections at once get different places in the order.
  await lockTeam(tx, row.team);
  const tree = await treeOf(tx, row.team);
  const byName = new Map(tree.map((one) => [`${one.parent ?? ""}|${one.title}`, one.id]));
  const lastIn = await lastCollectionKeys(tx, row.team);
  // Deleted meanwhile, it would take what is made in it out of every tree; that stands at the top then.
  const into = tree.some((one) => one.id === row.into) ? row.into : null;
  const standing: Standing = [];
  const collections: RowOf<"collection">[] = [];
  const next = (last: Map<string, string>, key: string) => {
    const [position] = keysAfter(last.get(key) ?? null, 1);
    last.set(key, position!);
    return position!;
  };
  for (const place of row.places) {
    if (place.section) {
      standing.push({ id: "", section: true, made: false });
      continue;
    }
    const parent = place.parent === null ? into : standing[place.parent]!.id;
    const key = `${parent ?? ""}|${place.title}`;
    const there = byName.get(key);
    const id = there ?? newId();
    standing.push({ id, section: false, made: !there });
    if (there) continue;
    byName.set(key, id);
    collections.push({
      id,
      team: row.team,
      parent,
      position: next(lastIn, parent ?? ""),
      title: place.title,
      description: place.description,
      createdAt: place.addedAt ? new Date(place.addedAt) : at,
      updatedAt: at,
    });
  }
  await set.add("collection", collections, { along: true });
  await makeSections(tx, set, row, standing);
  await writeImport(tx, row.id, { standing, updatedAt: at });
  return standing;
}

async function makeSections(tx: Tx, set: ChangeSet, row: ImportRow, standing: Standing): Promise<void> {
  const homeOf = (i: number) => {
    const { parent } = row.places[i]!;
    return parent === null ? row.into! : standing[parent]!.id;
  };
  const wanted = standing.flatMap((one, i) => (one.section ? i : []));
  const homes = [...new Set(wanted.map(homeOf))];
  const there: Awaited<ReturnType<typeof sectionsIn>> = [];
  for (let i = 0; i < homes.length; i += 500) there.push(...(await sectionsIn(tx, homes.slice(i, i + 500))));
  const lastKeys = await lastSectionKeys(tx, homes);
  const known = groupBy(there, (one) => one.collection);
  const rows: RowOf<"section">[] = [];
  for (const [home, numbers] of groupBy(wanted, homeOf)) {
    const here = known.get(home) ?? [];
    const byTitle = new Map(here.map((one) => [one.title, one.id]));
    let last = lastKeys.get(home) ?? null;
    for (const i of numbers) {
      const { title } = row.places[i]!;
      const id = byTitle.get(title);
      if (id) standing[i] = { id, section: true, made: false };
      else {
        [last] = keysAfter(last, 1) as [string];
        const made = newId();
        byTitle.set(title, made);
        standing[i] = { id: made, section: true, made: true };
        rows.push({ id: made, collection: home, title, position: last, createdAt: set.at });
      }
    }
  }
  await set.add("section", rows, { along: true });
}

/** Collection and section a line goes to; null for the Tray. */
export function spotOf(
  row: Pick<ImportRow, "places" | "into" | "section">,
  standing: Standing,
  place: number | null,
): { collection: string; section: string | null } | null {
  if (place === null) return row.into ? { collection: row.into, section: row.section } : null;
  const home = standing[place]!;
  if (!home.section) return { collection: home.id, section: null };
  const { parent } = row.places[place]!;
  return { collection: parent === null ? row.into! : standing[parent]!.id, section: home.id };
}
