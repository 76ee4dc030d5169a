import type { Reference } from "@/core/cite/bibliography";
import type { StyleId } from "@/core/cite/styles";
import type { PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { citeInThread } from "@/outside/threads/in-thread";
import { unlessTooLarge } from "./unless-too-large";
import { worksOf } from "./works";

/**
 * The bibliography of a collection and of those inside it, in the language of the first.
 * @throws {Problem} export-too-large
 */
export async function referencesOf(tx: Tx, tree: PublishedTree, style: StyleId): Promise<Reference[]> {
  const works = await worksOf(tx, tree);
  return unlessTooLarge(citeInThread({ works, style, language: tree.collection.language }));
}
