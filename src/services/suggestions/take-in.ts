import { noteIdentity, noteTitle } from "@/core/imports/identity";
import { takenTogether } from "@/core/suggestions/taken-together";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import { standingIn } from "@/data/queries/imports";
import { lockPlacements } from "@/data/queries/locks";
import type { SuggestionRow } from "@/data/queries/suggestions";
import type { ChangeSet } from "@/mechanism/change-set";
import { addressHash, identityHash } from "@/outside/hash";
import { putFile } from "../files/put";
import { putPlacement } from "../placements/put";
import { leadTo } from "../placements/relink";
import { blank, empty, fetchJob, fileJob } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";

type Wish = {
  /** Where they go; undefined: to the end. */
  section: string | null | undefined;
  /** Whether the names of those who suggested them stand in the context line. */
  thanks: boolean;
  /** What is said to them. */
  word: string;
};

/**
 * Takes suggestions into their collection: what several suggested stands there once, and what stands there already is left
 * as it is. The collection is locked.
 * @param whose on whose behalf
 * @returns how many stand there now that did not
 */
export async function takeIn(
  { tx, set }: { tx: Tx; set: ChangeSet },
  whose: { team: string; person: string },
  collection: { id: string },
  rows: readonly SuggestionRow[],
  { section, thanks, word }: Wish,
): Promise<{ placed: number }> {
  let placed = 0;
  const [betters, others] = [rows.filter(isBetter), rows.filter((row) => !isBetter(row))];
  for (const row of betters) placed += await takeBetter({ tx, set }, whose, collection, row, word);
  for (const { given, title, context } of takenTogether(others, identityOf, thanks)) {
    const resource = await putResource(tx, set, whose, given[0]!, title);
    const stands = await standingIn(tx, [collection.id], [resource]);
    if (!stands.length) {
      placed++;
      await putPlacement(tx, set, { ...whose, collection: collection.id, section, resource, context });
    }
    for (const row of given) await set.change("suggestion", row, { state: "accepted", word, resource });
  }
  return { placed };
}

/** Whether it is for something that stands there already. */
const isBetter = ({ kind }: Pick<SuggestionRow, "kind">): boolean => kind === "words" || kind === "link";

/**
 * Gives an item the context line, or the address, that was given back for it; where it stands there no more, nothing can be
 * taken.
 */
async function takeBetter(
  { tx, set }: { tx: Tx; set: ChangeSet },
  whose: { team: string; person: string },
  { id }: { id: string },
  row: SuggestionRow,
  word: string,
): Promise<number> {
  const item = (await lockPlacements(tx, [row.betters!])).get(row.betters!);
  if (!item || item.deletedAt || item.collection !== id) {
    await set.change("suggestion", row, { state: "declined", word: word || "The item is there no more." });
    return 0;
  }
  let { resource } = item;
  if (row.kind === "link") resource = await leadTo({ tx, set }, whose, item, row.address);
  else await set.change("placement", item, { context: row.text });
  await set.change("suggestion", row, { state: "accepted", word, resource });
  return 1;
}

/** What two suggestions that are one have in common. */
const identityOf = (row: SuggestionRow): string =>
  row.kind === "address"
    ? addressHash(row.address)
    : identityHash(row.kind === "file" ? `file:${row.fileSent}` : noteIdentity(row.text));

/** @returns the id of what a suggestion is in the catalogue, once in a team */
async function putResource(
  tx: Tx,
  set: ChangeSet,
  whose: { team: string; person: string },
  row: SuggestionRow,
  title: string,
): Promise<string> {
  const { team } = whose;
  const { id, already } =
    row.kind === "file"
      ? await putFile(tx, set, arrivedOf(row, whose), { title })
      : await findOrAdd(tx, set, { ...whose, hash: identityOf(row) }, (fresh) =>
          row.kind === "address" ? page(fresh, row.address, title) : note(fresh, row.text, title),
        );
  if (!already) {
    if (row.kind === "file") set.enqueue(fileJob(id, team, set.at));
    if (row.kind === "address") set.enqueue(fetchJob(id, team, set.at));
    const { collection } = row;
    set.emit({ subject: id, collection, verb: "resources.captured", data: { title: title || row.address } });
  }
  return id;
}

const arrivedOf = (row: SuggestionRow, whose: { team: string; person: string }) => ({
  ...whose,
  ...{
    name: row.fileName,
    sent: row.fileSent!,
    hash: row.fileHash!,
    bytes: row.fileBytes,
    type: row.fileType,
  },
});

function page(id: string, address: string, title: string) {
  const row = blank(id, address, new URL(address).hostname);
  return title ? { ...row, title, typed: ["title"] } : row;
}

function note(id: string, text: string, title: string) {
  const words = countWords(text);
  return {
    ...empty(id),
    ...{ kind: "note" as const, title: title || noteTitle(text), description: text },
    ...{ words, minutes: minutesOf({ words, seconds: null }), typed: ["title", "description"] },
  };
}
