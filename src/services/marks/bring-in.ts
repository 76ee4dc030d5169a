import { readAnnotations } from "@/core/marks/annotations-read";
import { tagKey } from "@/core/tags/tag-name";
import { addressOfFile } from "@/core/address/read-address";
import { marksOn, meaningsOf } from "@/data/queries/marks";
import { idsByHash } from "@/data/queries/imports";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { addressHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { placeJob } from "./place";

/** So many marks come in at one time. */
const MOST = 2_000;

class BringInMarks {
  @Id() team: string;
  @Name("the annotations", 2_000_000) annotations: string;
}

export const bringInMarks = action({
  name: "marks.bring-in",
  about:
    "Brings in web annotations (JSON-LD of the W3C) on things the team has, by their addresses; marks that are here already stay as they are.",
  input: BringInMarks,
  allow: can.bring("team"),
  locks: null,
  history: ({ changes }) => `bring in ${changes.length} ${changes.length === 1 ? "mark" : "marks"}`,
  run: async ({ input: { team, annotations }, scope, tx, at, add, enqueue }) => {
    const read = readAnnotations(annotations);
    if (!read) throw fieldProblem("annotations", "annotations-not-readable");
    const hashes = read.map(({ source }) => {
      const found = addressOfFile(source);
      return found.ok ? addressHash(found.address) : null;
    });
    const known = await idsByHash(tx, team, [...new Set(hashes.filter((hash) => hash !== null))]);
    const there = await marksOn(
      tx,
      [...known.values()].map((one) => one.id),
    );
    // The same mark is known by its own id, and by its words on the same thing.
    type Words = { quote: string; note: string; fragment: string };
    const keyOf = (resource: string, { quote, note, fragment }: Words) =>
      JSON.stringify([resource, quote, note, fragment]);
    const here = new Set(there.flatMap((one) => [one.id, keyOf(one.resource, one)]));
    const meanings = new Map(
      (await meaningsOf(tx, team)).flatMap((one) => (one.removedAt ? [] : [[one.key, one.id] as const])),
    );
    const rows = read.slice(0, MOST).flatMap((one, i) => {
      const resource = hashes[i] ? known.get(hashes[i]) : undefined;
      if (!resource || resource.deleted) return [];
      const same = [one.id?.toLowerCase() ?? "", keyOf(resource.id, one)];
      if (same.some((key) => here.has(key))) return [];
      here.add(same[1]!);
      return {
        ...{ id: newId(), team, resource: resource.id, person: scope.person!, private: false },
        meaning: meanings.get(tagKey(one.meaning).slice(0, 40)) ?? null,
        ...{
          quote: one.quote.slice(0, 16_000),
          prefix: one.prefix.slice(-64),
          suffix: one.suffix.slice(0, 64),
        },
        ...{
          note: one.note.slice(0, 4_000),
          fragment: one.fragment,
          version: null,
          start: null,
          end: null,
          sure: null,
        },
        ...{ createdAt: at, updatedAt: at },
      };
    });
    await add("mark", rows);
    for (const resource of new Set(rows.map((row) => row.resource))) enqueue(placeJob(resource, team, at));
    return { brought: rows.length, passedOver: read.length - rows.length };
  },
});
