import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";

/** Puts a resource into a person's Tray, where it waits. */
export async function intoTray(
  set: ChangeSet,
  team: string,
  person: string,
  resource: string,
): Promise<void> {
  const row = { id: newId(), team, person, resource, state: "waiting" as const };
  // What was brought in is told already; taken back it would wait nowhere.
  await set.add("trayEntry", { ...row, createdAt: set.at, updatedAt: set.at }, { along: true });
}
