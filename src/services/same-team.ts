import { eq } from "drizzle-orm";
import type { Tx } from "@/data/database";
import { collection, resource, section } from "@/data/schema";
import { Problem } from "./problem";

const TABLES = { collection, resource };

/** Refuses to mix teams: the second thing an input names must belong to the team the first one was allowed in. */
export async function mustBeOfTeam(
  tx: Tx,
  what: keyof typeof TABLES,
  id: string,
  team: string | null,
): Promise<void> {
  const table = TABLES[what];
  const [row] = await tx
    .select({ team: table.team, deletedAt: table.deletedAt })
    .from(table)
    .where(eq(table.id, id));
  if (!row || row.team !== team) throw new Problem("not-found");
  if (row.deletedAt) throw new Problem("not-found", "This is in the bin. Restore it there first.");
}

/** Refuses a section that is not one of this collection. */
export async function mustBeSectionOf(
  tx: Tx,
  id: string | null | undefined,
  collectionId: string,
): Promise<void> {
  if (!id) return;
  const [row] = await tx
    .select({ collection: section.collection, deletedAt: section.deletedAt })
    .from(section)
    .where(eq(section.id, id));
  if (row?.collection !== collectionId || row.deletedAt)
    throw new Problem("not-found", "That section is no longer here.");
}
