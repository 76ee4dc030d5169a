import { insideOf } from "@/core/list/tree-moves";
import { type Listing, listingOf, searchableOf } from "@/core/shelves/listing";
import { type Met, lacking, nearest } from "@/core/shelves/near";
import { idf } from "@/core/search/weigh";
import { PUBLIC } from "@/core/shelves/public";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import { listedById, toldAmong } from "@/data/queries/listings";
import { type By, howCommon, sharedBy, sharingMost } from "@/data/queries/near";
import { countIndexed } from "@/data/search/terms";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import { publishedCollection } from "../reader/published-collection";
import { alikeTo } from "../search/alike";
import { hashesOf, keyed } from "./listed-words";
import { asCard } from "./shown";

/** Of so many collections inside what stands in them is looked at, too; so many addresses are looked for. */
const [PARTS, ADDRESSES] = [20, 300];
/** So many are met by addresses, by subjects, and by words each; so many are shown, and things of them. */
const [MET, SHOWN, ITEMS] = [40, 8, 20];
/** By so many of its words it is looked for. */
const TERMS = 32;

class Near {
  @Id() collection: string;
}

export const readNear = reading({
  name: "shelves.near",
  about:
    "Public collections of other teams that resemble this one, the nearest first, and why: pages both have, subjects both have, much the same words. With what they have and this one lacks. What it is compared by stays here: nothing of it is told to them.",
  input: Near,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const team = scope.team!;
    const [own, indexed] = await Promise.all([
      ownListing(tx, team, input.collection),
      countIndexed(tx, PUBLIC),
    ]);
    const hashes = hashesOf(own).slice(0, ADDRESSES);
    const tags = keyed(own.tags);
    const shown = await nearTo(tx, team, own, { hashes, tags, indexed });
    const found = lacking(
      shown.map(({ score, row }) => ({
        score,
        items: row.content!.items.flatMap((item) =>
          item.id && item.address
            ? [{ ...item, id: item.id, key: addressHash(item.address), from: row.id, teamName: row.teamName }]
            : [],
        ),
      })),
      new Set(hashesOf(own)),
    ).slice(0, ITEMS);
    return {
      of: hashes.length,
      collections: shown.map(({ row, pages, tags, alike }) => ({
        ...asCard({ ...row, content: row.content! }),
        why: { pages, tags: tags.slice(0, 3), alike },
      })),
      items: found.map(({ item, in: times }) => ({
        ...{ id: item.id, from: item.from, teamName: item.teamName, kind: item.kind, address: item.address },
        ...{ title: item.heading || item.title, context: item.context, minutes: item.minutes, in: times },
      })),
    };
  },
});

/** What is known of an own collection, as it would be if it were public; of what stands inside it, too. */
export async function ownListing(tx: Tx, team: string, id: string): Promise<Listing> {
  const [first, tree] = await Promise.all([publishedCollection(tx, id, null), collectionTree(tx, team)]);
  const inside = [...insideOf(tree, id)].slice(1, PARTS);
  return listingOf([first, ...(await Promise.all(inside.map((one) => publishedCollection(tx, one, null))))]);
}

/** What an own collection is looked for by, and in how many public ones. */
type Known = { hashes: readonly string[]; tags: ReadonlyMap<string, string>; indexed: number };

/** What is nearest to it and public at this moment; what changed a moment ago is left out until it is known anew. */
async function nearTo(tx: Tx, team: string, own: Listing, { hashes, tags, indexed }: Known) {
  const sharing = async (by: By, keys: readonly string[]) => {
    const dfs = await howCommon(tx, by, keys);
    const rarity = new Map([...dfs].map(([key, df]) => [key, idf(indexed, df)]));
    return { dfs, met: await sharingMost(tx, by, team, rarity, MET) };
  };
  const [{ dfs: dfOfPages, met: byPages }, { dfs: dfOfTags, met: byTags }, text] = await Promise.all([
    sharing("addresses", hashes),
    sharing("tags", [...tags.keys()]),
    alikeTo(tx, PUBLIC, searchableOf(own), { most: TERMS, least: 1 }),
  ]);
  const byWords = text.ranking.hits("best", 0, MET).map((hit) => hit.id);
  const met = [...new Set([...byPages, ...byTags, ...byWords])];
  const [told, pages, subjects] = await Promise.all([
    toldAmong(tx, met, now()),
    sharedBy(tx, "addresses", met, [...dfOfPages.keys()]),
    sharedBy(tx, "tags", met, [...dfOfTags.keys()]),
  ]);
  const alike = text.ranking.among(met);
  const scores = new Map(alike.hits("best", 0, met.length).map((hit) => [hit.id, hit.score]));
  const others = met.filter((id) => told.has(id) && told.get(id)!.team !== team);
  const asMet = (id: string): Met => {
    const { addresses: size, tagged } = told.get(id)!;
    return {
      ...{ id, size, tagged, words: scores.get(id) ?? 0 },
      addresses: (pages.get(id) ?? []).map((hash) => dfOfPages.get(hash)!),
      tags: (subjects.get(id) ?? []).map((key) => ({ name: tags.get(key)!, df: dfOfTags.get(key)! })),
    };
  };
  const size = { size: hashes.length, tagged: tags.size, words: text.own };
  const found = nearest(size, others.map(asMet), indexed).slice(0, SHOWN);
  // What is in them is read of those that are shown alone.
  const rows = await listedById(
    tx,
    found.map((one) => one.id),
    now(),
  );
  return found.flatMap((one) => {
    const row = rows.get(one.id);
    return row?.content ? [{ ...one, row }] : [];
  });
}
