import type { Reference } from "@/core/cite/bibliography";
import type { StyleId } from "@/core/cite/styles";
import type { PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { cited } from "../references/cited";
import { styleFor } from "../references/style-of";
import { worksOf } from "./works";

/**
 * The bibliography of a collection and of those inside it, in the language of the first.
 * @throws {Problem} export-too-large
 */
export async function referencesOf(tx: Tx, tree: PublishedTree, asked: StyleId): Promise<Reference[]> {
  const style = await styleFor(tx, tree.collection.id, asked);
  return (await cited(await worksOf(tx, tree), style, tree.collection.language)).references;
}
