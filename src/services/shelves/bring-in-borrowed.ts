import type { EditionItem } from "@/core/editions/content";
import { noteIdentity } from "@/core/imports/identity";
import { kindOfFile } from "@/core/page/file-facts";
import type { Tx } from "@/data/database";
import { BULK } from "@/data/queries/jobs";
import { addResourceFile, noteFile } from "@/data/queries/texts-and-files";
import type { ChangeSet } from "@/mechanism/change-set";
import { addressHash, identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { blank, empty, fetchJob, fileJob } from "../resources/blank";
import { findOrAddAll } from "../resources/find-or-add";

type Make = Parameters<typeof findOrAddAll>[3] extends ReadonlyMap<string, infer M> ? M : never;

/**
 * Brings what others made public into a team's catalogue, each thing once by its address, its content or its words; what
 * is there already stays as it is.
 * @returns the resource of each item, by the item's id
 */
export async function bringInBorrowed(
  set: ChangeSet,
  tx: Tx,
  whose: { team: string; person: string },
  items: readonly EditionItem[],
): Promise<Map<string, string>> {
  const hashes = new Map<string, string>();
  const wanted = new Map<string, Make>();
  const first = new Map<string, EditionItem>();
  for (const item of items) {
    const hash = hashOf(item);
    hashes.set(item.id, hash);
    if (first.has(hash)) continue;
    first.set(hash, item);
    wanted.set(hash, (id) => asResource(id, item));
  }
  const found = await findOrAddAll(tx, set, whose, wanted);
  for (const [hash, { id, known }] of found) {
    if (known) continue;
    const { file, address } = first.get(hash)!;
    if (file) {
      await noteFile(tx, { hash: file.hash, bytes: file.bytes, type: file.type, createdAt: set.at });
      await addResourceFile(tx, { resource: id, team: whose.team, ...file, createdAt: set.at });
      set.enqueue({ ...fileJob(id, whose.team, set.at), priority: BULK });
    } else if (address) set.enqueue(fetchJob(id, whose.team, set.at, BULK));
  }
  return new Map([...hashes].map(([item, hash]) => [item, found.get(hash)!.id]));
}

/** By what a thing is known: where it is, what is in its file, or its words; a text between items is itself alone. */
function hashOf({ look, file, address, description, quotation }: EditionItem): string {
  if (look === "text") return identityHash(`text:${newId()}`);
  if (file) return identityHash(`file:${file.hash}`);
  if (address && !quotation) return addressHash(address);
  return identityHash(noteIdentity(quotation ? `${address} ${quotation}` : description));
}

/** What is known of it there is known of it here; its words were chosen, so no fetch writes over them. */
function asResource(id: string, item: EditionItem): ReturnType<Make> {
  const { title, description, authors, published, minutes, pages, siteName, language, picture } = item;
  const facts = {
    ...{ kind: item.kind, title, description, authors, published, minutes, pages, siteName, language },
    ...{ licence: item.licence ?? "", pictureHash: picture, player: item.player },
    quotation:
      item.quotation === null
        ? null
        : { type: "TextQuoteSelector" as const, exact: item.quotation, prefix: "", suffix: "" },
    typed: ["title", "description"],
  };
  if (item.file)
    return {
      ...{ ...empty(id), ...facts, kind: kindOfFile(item.file.type) ?? "document" },
      ...{ fileName: item.file.name, fetchState: "waiting" as const },
    };
  if (item.address && item.quotation === null) return { ...blank(id, item.address, item.host), ...facts };
  return { ...empty(id), ...facts, address: item.address, host: item.host };
}
