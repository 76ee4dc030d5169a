import { meaningsOf } from "@/data/queries/marks";
import type { Tx } from "@/data/database";

/** What a team means by its marks, as it is shown; with what was taken off the list, because marks may still mean it. */
export async function meaningsShown(tx: Tx, team: string) {
  const all = await meaningsOf(tx, team);
  return all.map(({ id, name, pattern, tint, removedAt }) => ({
    ...{ id, name, pattern, tint },
    removed: removedAt !== null,
  }));
}
