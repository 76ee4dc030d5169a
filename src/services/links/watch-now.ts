import type { Tx } from "@/data/database";
import { watchOne } from "@/data/queries/links";
import type { ResourceRow } from "@/data/queries/resources";
import { Problem } from "@/mechanism/problem";

/**
 * Has something watched from now on, if it was not.
 * @throws {Problem} nothing-to-read-again, when it leads nowhere that can be asked
 */
export async function watchNow(tx: Tx, { id, team, host, address }: ResourceRow, at: Date): Promise<void> {
  if (!/^https?:/i.test(address)) throw new Problem("nothing-to-read-again");
  await watchOne(tx, { resource: id, team, host, nextAt: at });
}
