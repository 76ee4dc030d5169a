import type { MarkOut } from "@/core/marks/model";
import { insideOf } from "@/core/list/tree-moves";
import { collectionTree } from "@/data/queries/collections";
import { marksInside } from "@/data/queries/marks";
import type { Tx } from "@/data/database";

/** The marks on whatever stands in a collection and in those inside it, as a person may see them. */
export async function marksOfCollection(tx: Tx, team: string, collection: string, person: string) {
  const tree = await collectionTree(tx, team);
  return marksInside(tx, [...insideOf(tree, collection)], person);
}

/** The same as they are taken along. @param wanted only these; left out: all of them */
export async function marksToTake(
  tx: Tx,
  team: string,
  collection: string,
  person: string,
  wanted?: readonly string[],
): Promise<MarkOut[]> {
  const only = wanted && new Set(wanted);
  const rows = await marksOfCollection(tx, team, collection, person);
  return rows
    .filter((row) => !only || only.has(row.id))
    .map((row) => ({
      ...row,
      meaning: row.meaningName,
      by: row.by.name ?? "",
      createdAt: row.createdAt.toISOString(),
      updatedAt: row.updatedAt.toISOString(),
    }));
}
