import { and, eq, isNotNull } from "drizzle-orm";
import type { Tx } from "../database";
import { resource } from "../schema";

/** The languages of a team's texts (BCP 47), from the index that holds them. */
export async function languagesOf(tx: Tx, team: string): Promise<string[]> {
  const rows = await tx
    .select({ language: resource.language })
    .from(resource)
    .where(and(eq(resource.team, team), isNotNull(resource.language)))
    .groupBy(resource.language)
    .limit(40);
  return rows.map((row) => row.language!);
}
