import { IsOptional, IsInt, Max, Min } from "class-validator";
import { didYouMean } from "@/core/search/did-you-mean";
import { findPassage, holdsPhrase, marksIn, type Passage, type Wanted } from "@/core/search/passage";
import { chipsOf } from "@/core/search/query";
import { fold } from "@/core/search/tokens";
import { groupBy } from "@/core/list/group-by";
import type { Tx } from "@/data/database";
import { placesOfMany } from "@/data/queries/places";
import { type Card, cardsById, withTags } from "@/data/queries/resources";
import { type Hit, termsBeginning } from "@/data/queries/search";
import { textsOf } from "@/data/queries/texts";
import { reading } from "../action";
import { Id, MaybeId, MaybeOneOf, MaybeText } from "../input";
import { can } from "../policy";
import { Asked } from "./asked";

/** Results a page. */
const PAGE = 25;
/** On the first page it is counted up to here. */
const COUNTED = 1_000;
/** Phrases are looked for in the texts of so many hits at a time, at most so often for a page. */
const PHRASE_STEP = 100;
const PHRASE_STEPS = 6;

class Search {
  @Id() team: string;
  /** Words, "phrases", -words, and tag: site: kind: by: in: added: is: length: with a value. */
  @MaybeText(500) query?: string;
  @MaybeOneOf(["best", "newest"]) order?: "best" | "newest";
  /** The last result of the page before: its id and score. */
  @MaybeId() after?: string;
  @IsOptional() @IsInt() @Min(0) @Max(1e9) score?: number;
  /** At most so many; 25 are a page. */
  @IsOptional() @IsInt() @Min(1) @Max(50) most?: number;
}

export const search = reading({
  name: "search.find",
  about:
    "Resources of a team in which all the words stand, best or newest first, with the passage in which they do. Without words those that fit the filters, newest first.",
  input: Search,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const asked = await Asked.of(tx, input.team, input.query ?? "");
    const most = input.most ?? PAGE;
    const order = input.order ?? "best";
    const after: Hit | null = input.after ? { id: input.after, score: input.score ?? 0 } : null;
    const wanted: Wanted = {
      terms: new Set(asked.sought.flatMap((one) => one.terms.map(({ term }) => term))),
      prefix: asked.query.groups.at(-1)?.prefix ?? null,
    };
    const { phrases } = asked.query;
    const page = phrases.length
      ? await withPhrases(asked, order, after, most)
      : await plainPage(asked, order, after, most);
    const results = await describe(tx, input.team, page.hits, wanted, asked.sought.length > 0);
    return {
      results,
      /** How many there are in all, up to a thousand; null on later pages and with phrases. */
      total: page.total,
      next: page.more && page.hits.length ? page.hits.at(-1)! : null,
      chips: chipsOf(input.query ?? ""),
      meant: after || results.length ? null : await meantBy(tx, input.team, input.query ?? "", asked),
      indexed: asked.indexed,
    };
  },
});

type Page = { hits: Hit[]; more: boolean; total: number | null };

async function plainPage(
  asked: Asked,
  order: "best" | "newest",
  after: Hit | null,
  most: number,
): Promise<Page> {
  const hits = await asked.hits(order, after, after ? most + 1 : COUNTED + 1);
  return {
    hits: hits.slice(0, most),
    more: hits.length > most,
    total: after ? null : Math.min(hits.length, COUNTED + 1),
  };
}

/** Goes through the hits until a page of them holds every phrase. */
async function withPhrases(
  asked: Asked,
  order: "best" | "newest",
  after: Hit | null,
  most: number,
): Promise<Page> {
  const hits: Hit[] = [];
  let last = after;
  for (let step = 0; step < PHRASE_STEPS; step++) {
    const some = await asked.hits(order, last, PHRASE_STEP);
    const words = new Map(
      (
        await textsOf(
          asked.tx,
          some.map((hit) => hit.id),
        )
      ).map((row) => [row.id, row]),
    );
    for (const hit of some) {
      last = hit;
      const row = words.get(hit.id);
      if (!row) continue;
      const all = [row.title, row.description, ...row.contexts, ...row.tags, row.text];
      if (asked.query.phrases.every((phrase) => all.some((text) => holdsPhrase(text, row.language, phrase))))
        hits.push(hit);
      if (hits.length === most) return { hits, more: true, total: null };
    }
    if (some.length < PHRASE_STEP) return { hits, more: false, total: after ? null : hits.length };
  }
  return { hits, more: hits.length > 0, total: null };
}

export type Found = Card & {
  places: { collection: string; title: string }[];
  marks: [number, number][];
  passage: Passage | null;
};

/** What a list of results shows of each. */
async function describe(
  tx: Tx,
  team: string,
  hits: readonly Hit[],
  wanted: Wanted,
  words: boolean,
): Promise<Found[]> {
  const ids = hits.map((hit) => hit.id);
  const [cards, places, texts] = await Promise.all([
    cardsById(tx, team, ids).then((rows) => withTags(tx, rows)),
    placesOfMany(tx, ids),
    words ? textsOf(tx, ids) : [],
  ]);
  const byId = new Map(cards.map((card) => [card.id, card]));
  const textOf = new Map(texts.map((row) => [row.id, row]));
  const placesOf = groupBy(places, (place) => place.resource);
  return ids.flatMap((id) => {
    const card = byId.get(id);
    if (!card) return [];
    const row = textOf.get(id);
    return {
      ...card,
      places: [
        ...new Map(
          (placesOf.get(id) ?? []).map(({ collection, title }) => [collection, { collection, title }]),
        ).values(),
      ],
      marks: row ? marksIn(card.title, row.language, wanted) : [],
      passage: row ? passageOf(row, wanted) : null,
    };
  });
}

/** The curator's own words first, then what the page says of itself, then its text. */
function passageOf(row: Awaited<ReturnType<typeof textsOf>>[number], wanted: Wanted): Passage | null {
  for (const text of [...row.contexts, row.description, row.text]) {
    const passage = text ? findPassage(text, row.language, wanted, 180) : null;
    if (passage) return passage;
  }
  return null;
}

/** The query with the words the team does not know exchanged for the likeliest it knows; null when there are none. */
async function meantBy(tx: Tx, team: string, text: string, asked: Asked): Promise<string | null> {
  let better = text;
  for (const { typed, terms } of asked.sought) {
    if (terms.length) continue;
    const word = fold(typed);
    const known = await termsBeginning(tx, team, word.slice(0, 1), 3_000);
    const meant = didYouMean(
      word,
      known.map(({ word, df }) => ({ word, df })),
    );
    if (meant) better = better.replace(typed, meant);
  }
  return better === text ? null : better;
}
