import type { Tx } from "@/data/database";
import { trayEntriesOf } from "@/data/queries/tray";
import type { ChangeSet } from "@/mechanism/change-set";

/** What is placed waits no longer in the person's Tray; undo lets it wait again. */
export async function outOfTray(
  tx: Tx,
  set: ChangeSet,
  person: string,
  resources: readonly string[],
): Promise<void> {
  const waiting = await trayEntriesOf(tx, person, resources);
  await set.change("trayEntry", waiting, { state: "placed" });
}
