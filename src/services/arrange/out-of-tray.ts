import { and, eq, inArray } from "drizzle-orm";
import type { Change } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { trayEntry } from "@/data/schema";

/** What is placed waits no longer in the person's Tray. @returns the changes, so that undo lets it wait again */
export async function outOfTray(
  tx: Tx,
  person: string,
  resources: readonly string[],
  at: Date,
): Promise<Change[]> {
  if (!resources.length) return [];
  const mine = and(eq(trayEntry.person, person), inArray(trayEntry.resource, [...resources]));
  const before = await tx
    .select({ resource: trayEntry.resource, state: trayEntry.state })
    .from(trayEntry)
    .where(mine);
  if (before.length) await tx.update(trayEntry).set({ state: "placed", updatedAt: at }).where(mine);
  return before
    .filter((row) => row.state !== "placed")
    .map((row) => ({
      thing: "tray",
      id: `${person}~${row.resource}`,
      before: { state: row.state },
      after: { state: "placed" },
    }));
}
