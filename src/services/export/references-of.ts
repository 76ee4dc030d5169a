import type { Reference } from "@/core/cite/bibliography";
import type { StyleId } from "@/core/cite/styles";
import type { PublishedTree } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { Problem } from "@/mechanism/problem";
import { citeInThread, TooSlow } from "@/outside/threads/in-thread";
import { worksOf } from "./works";

/**
 * The bibliography of a collection and of those inside it, in the language of the first.
 * @throws {Problem} export-too-large
 */
export async function referencesOf(tx: Tx, tree: PublishedTree, style: StyleId): Promise<Reference[]> {
  const works = await worksOf(tx, tree);
  return citeInThread({ works, style, language: tree.collection.language }).catch((error: unknown) => {
    if (error instanceof TooSlow) throw new Problem("export-too-large");
    throw error;
  });
}
