import type { CollectedEntry, CollectedSection } from "@/core/handouts/collected";
import { noteTitle } from "@/core/imports/identity";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import { BULK } from "@/data/queries/jobs";
import type { ChangeSet } from "@/mechanism/change-set";
import { addressHash, identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { blank, empty, fetchJob } from "../resources/blank";
import { findOrAddAll } from "../resources/find-or-add";

type Make = Parameters<typeof findOrAddAll>[3] extends ReadonlyMap<string, infer M> ? M : never;

/**
 * Brings what came back from a handout into the catalogue: addresses as pages to be read, words as texts of their own.
 * @returns the resource of each entry that is not an item of the handout
 */
export async function bringInCollected(
  set: ChangeSet,
  tx: Tx,
  whose: { team: string; person: string },
  sections: readonly CollectedSection[],
): Promise<Map<CollectedEntry, string>> {
  const hashes = new Map<CollectedEntry, string>();
  const wanted = new Map<string, Make>();
  for (const entry of sections.flatMap((section) => section.entries)) {
    if (entry.what === "given") continue;
    const isPage = entry.what === "find" && entry.address !== "";
    // Words are themselves alone, whatever they are.
    const hash = isPage ? addressHash(entry.address) : identityHash(`text:${newId()}`);
    hashes.set(entry, hash);
    if (!wanted.has(hash)) wanted.set(hash, (id) => (isPage ? page(id, entry) : words(id, entry)));
  }
  const found = await findOrAddAll(tx, set, whose, wanted);
  for (const entry of hashes.keys())
    if (entry.what === "find" && entry.address) {
      const { id, known } = found.get(hashes.get(entry)!)!;
      if (!known) set.enqueue(fetchJob(id, whose.team, set.at, BULK));
    }
  return new Map([...hashes].map(([entry, hash]) => [entry, found.get(hash)!.id]));
}

function page(id: string, { address, title }: Extract<CollectedEntry, { what: "find" }>) {
  const row = blank(id, address, new URL(address).hostname);
  return title ? { ...row, title, typed: ["title"] } : row;
}

function words(id: string, entry: Exclude<CollectedEntry, { what: "given" }>) {
  const text = entry.what === "text" ? entry.words : entry.title;
  const count = countWords(text);
  return {
    ...empty(id),
    ...{ kind: "note" as const, title: noteTitle(text), description: text.slice(0, 16_000) },
    ...{ words: count, minutes: minutesOf({ words: count, seconds: null }) },
    typed: ["title", "description"],
  };
}
