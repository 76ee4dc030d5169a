import { fitting } from "@/core/feeds/fitting";
import { searchableOf } from "@/core/shelves/listing";
import { lastInFeeds } from "@/data/queries/feeds";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { weighInThread } from "@/outside/threads/in-thread";
import { hashesOf } from "../shelves/listed-words";
import { ownListing } from "../shelves/near";

/** What came in so many days is looked through, so much of it at the most; so many are shown. */
const [DAYS, LOOKED, SHOWN] = [60, 300, 8];

class Fitting {
  @Id() collection: string;
}

export const readFitting = reading({
  name: "follows.fitting",
  about:
    "What came in the feeds one follows in the last 60 days and would fit a collection by its words, those first that are likest, with the words by which; what stands there already is left out.",
  input: Fitting,
  allow: can.see("collection"),
  run: async ({ input, scope, tx }) => {
    const team = scope.team!;
    const since = new Date(now().getTime() - DAYS * 86_400_000);
    const came = await lastInFeeds(tx, { person: scope.person!, team }, since, LOOKED);
    if (!came.length) return { items: [] };
    const own = await ownListing(tx, team, input.collection);
    const has = new Set(hashesOf(own));
    const words = searchableOf(own);
    const others = came.filter(({ entry }) => !has.has(entry.hash));
    const [ours, ...theirs] = await weighInThread([
      words,
      ...others.map(({ entry }) => ({
        ...{
          title: entry.title,
          description: entry.about,
          tags: [],
          contexts: [],
          source: [],
          notes: "",
          marks: [],
        },
        ...{ text: "", language: words.language },
      })),
    ]);
    const found = fitting(
      ours!,
      theirs.map((terms, i) => ({ id: String(i), terms })),
    );
    return {
      items: found.slice(0, SHOWN).map(({ id, words: by }) => {
        const { entry, feedTitle } = others[Number(id)]!;
        return {
          id: entry.hash,
          address: entry.address,
          title: entry.title,
          about: entry.about,
          feedTitle,
          by,
        };
      }),
    };
  },
});
