import { and, desc, eq, isNull, ne, sql } from "drizzle-orm";
import type { Tx } from "../database";
import { resource } from "../schema";
import type { ResourceRow } from "./resources";

/** Of more pages of a site than these it is not counted what most of them say. */
const MOST = 500;

const ofSite = (team: string, host: string) =>
  and(eq(resource.team, team), isNull(resource.deletedAt), eq(resource.host, host));

/** What most pages of a site call it, in one team; null when none does. */
export async function nameOfSite(tx: Tx, team: string, host: string): Promise<string | null> {
  const some = tx
    .select({ siteName: resource.siteName })
    .from(resource)
    .where(and(ofSite(team, host), ne(resource.siteName, "")))
    .limit(MOST)
    .as("some");
  const [row] = await tx
    .select({ siteName: some.siteName })
    .from(some)
    .groupBy(some.siteName)
    .orderBy(desc(sql`count(*)`), some.siteName)
    .limit(1);
  return row?.siteName ?? null;
}

/** Pages of a site that were read, do not say what it is called, and were given no name by anybody; locked. */
export async function namelessOfSite(
  tx: Tx,
  team: string,
  host: string,
  most: number,
): Promise<ResourceRow[]> {
  const rows = await tx
    .select()
    .from(resource)
    .where(and(ofSite(team, host), eq(resource.siteName, ""), ne(resource.fetchState, "waiting")))
    .orderBy(resource.id)
    .limit(most)
    .for("update", { skipLocked: true });
  return rows.filter((row) => !row.typed.includes("siteName"));
}
