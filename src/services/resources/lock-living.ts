import type { Tx } from "@/data/database";
import { lockResource, type ResourceRow } from "@/data/queries/resources";
import { Problem } from "@/mechanism/problem";

/**
 * A resource, locked until the transaction ends. Somebody may have put it into the bin since it was allowed to change it.
 * @throws {Problem} in-bin
 */
export async function lockLiving(tx: Tx, id: string): Promise<ResourceRow> {
  const row = await lockResource(tx, id);
  if (!row || row.deletedAt) throw new Problem("in-bin");
  return row;
}
