import { insideOf } from "@/core/list/tree-moves";
import { type Listing, listingOf, searchableOf } from "@/core/shelves/listing";
import { type Met, lacking, nearest } from "@/core/shelves/near";
import { Postings } from "@/core/search/postings";
import { rank } from "@/core/search/rank";
import { PUBLIC } from "@/core/shelves/public";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import { listedById, listedIdsOf, toldAmong } from "@/data/queries/listings";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import { publishedCollection } from "../reader/published-collection";
import { alikeTo, rarityOfBoth } from "../search/alike";
import { hashesOf, keyed, pageTerm, subjectTerm } from "./listed-words";
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
    const [own, theirs] = await Promise.all([ownListing(tx, team, input.collection), listedIdsOf(tx, team)]);
    const hashes = hashesOf(own).slice(0, ADDRESSES);
    const shown = await nearTo(tx, team, own, {
      pages: new Set(hashes.map(pageTerm)),
      tags: new Map([...keyed(own.tags)].map(([key, name]) => [subjectTerm(key), name])),
      without: Postings.unweighted(theirs),
    });
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

/** What an own collection is looked for by: its pages and its subjects, by the terms they have in the index. */
type Known = { pages: ReadonlySet<string>; tags: ReadonlyMap<string, string>; without: Postings };

/** What is nearest to it and public at this moment; what changed a moment ago is left out until it is known anew. */
async function nearTo(tx: Tx, team: string, own: Listing, { pages, tags, without }: Known) {
  const keys = [...pages, ...tags.keys()];
  const { ranking, ...text } = await alikeTo(tx, PUBLIC, searchableOf(own), {
    ...{ most: TERMS, least: 1, keys, without: [without] },
  });
  const sharing = (terms: Iterable<string>) =>
    rank([[...terms]], text.lists, (_, { length }) => rarityOfBoth(text.indexed, length), [without]);
  const met = [
    ...new Set(
      [sharing(pages), sharing(tags.keys()), ranking].flatMap((some) =>
        some.hits("best", 0, MET).map((hit) => hit.id),
      ),
    ),
  ];
  const told = await toldAmong(tx, met, now());
  const others = met.filter((id) => told.has(id) && told.get(id)!.team !== team).sort();
  const shares = sharesOf(others, keys, text.lists);
  const alike = ranking.among(Postings.unweighted(others));
  const scores = new Map(alike.hits("best", 0, others.length).map((hit) => [hit.id, hit.score]));
  const asMet = (id: string): Met => {
    const { addresses: size, tagged } = told.get(id)!;
    const shared = shares.get(id) ?? [];
    return {
      ...{ id, size, tagged, words: scores.get(id) ?? 0 },
      addresses: shared.flatMap(({ term, df }) => (pages.has(term) ? df : [])),
      tags: shared.flatMap(({ term, df }) => (tags.has(term) ? { name: tags.get(term)!, df } : [])),
    };
  };
  const size = { size: pages.size, tagged: tags.size, words: text.own };
  const found = nearest(size, others.map(asMet), text.indexed).slice(0, SHOWN);
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

/** Which of some terms each of these has, each with how many have it. @param ids in their order */
function sharesOf(ids: readonly string[], terms: readonly string[], lists: ReadonlyMap<string, Postings>) {
  const those = Postings.unweighted(ids);
  const shares = new Map<string, { term: string; df: number }[]>();
  for (const term of terms) {
    const list = lists.get(term);
    for (const i of list?.whichOf(those) ?? []) {
      const one = { term, df: list!.length };
      shares.set(ids[i]!, [...(shares.get(ids[i]!) ?? []), one]);
    }
  }
  return shares;
}
