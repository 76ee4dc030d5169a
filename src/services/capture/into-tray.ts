import type { Tx } from "@/data/database";
import { trayEntry } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";

/** Puts a resource into a person's Tray. */
export async function intoTray(tx: Tx, team: string, person: string, id: string): Promise<void> {
  const at = now();
  await tx
    .insert(trayEntry)
    .values({ id: newId(), team, person, resource: id, state: "waiting", createdAt: at, updatedAt: at })
    .onDuplicateKeyUpdate({ set: { state: "waiting", updatedAt: at } });
}
