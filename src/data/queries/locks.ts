import { inArray } from "drizzle-orm";
import type { Tx } from "../database";
import { mark, placement, resource, section } from "../schema";
import { inParts } from "../sql/by-keys";
import type { MarkRow } from "./marks";
import type { PlacementRow } from "./placements";
import type { ResourceRow } from "./resources";
import type { SectionRow } from "./sections";

/** The collections in which sections and placements stand at this moment; nothing is locked. */
export async function homesOf(
  tx: Tx,
  { sections, placements }: { sections: readonly string[]; placements: readonly string[] },
): Promise<string[]> {
  const homes = new Set<string>();
  const look = (table: typeof section | typeof placement, ids: readonly string[]) =>
    inParts(
      [...ids],
      async (part) => {
        const rows = await tx
          .select({ collection: table.collection })
          .from(table as typeof section)
          .where(inArray(table.id, part));
        for (const row of rows) homes.add(row.collection);
      },
      500,
    );
  await look(section, sections);
  await look(placement, placements);
  return [...homes];
}

/** Rows by id, locked in the order of their ids until the transaction ends, in the bin or not. */
async function locked<Row extends { id: string }>(
  tx: Tx,
  table: typeof section | typeof placement | typeof resource | typeof mark,
  ids: readonly string[],
): Promise<Map<string, Row>> {
  const found = new Map<string, Row>();
  await inParts(
    [...ids].sort(),
    async (part) => {
      const rows = await tx
        .select()
        .from(table as typeof section)
        .where(inArray(table.id, part))
        .orderBy(table.id)
        .for("update");
      for (const row of rows as unknown as Row[]) found.set(row.id, row);
    },
    500,
  );
  return found;
}

/** Sections by id, locked. */
export const lockSections = (tx: Tx, ids: readonly string[]) => locked<SectionRow>(tx, section, ids);
/** Placements by id, locked. */
export const lockPlacements = (tx: Tx, ids: readonly string[]) => locked<PlacementRow>(tx, placement, ids);
/** Marks by id, locked. */
export const lockMarks = (tx: Tx, ids: readonly string[]) => locked<MarkRow>(tx, mark, ids);
/** Resources by id, locked. */
export const lockResources = (tx: Tx, ids: readonly string[]) => locked<ResourceRow>(tx, resource, ids);
