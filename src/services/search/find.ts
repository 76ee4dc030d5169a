import { IsInt, Max, Min } from "class-validator";
import { holdsPhrase, type Passage, Seeker } from "@/core/search/passage";
import { chipsOf } from "@/core/search/query";
import type { Hit } from "@/core/search/rank";
import type { Tx } from "@/data/database";
import type { Card } from "@/data/queries/resources";
import { type FoundRow, foundById } from "@/data/search/found";
import { READ, textsOf } from "@/data/search/texts";
import { reading } from "@/mechanism/action";
import { Id, MaybeId, MaybeOneOf, MaybeSought, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Asked } from "./asked";
import { meantBy } from "./meant";

/** Results a page. */
const PAGE = 25;
/** On the first page it is counted up to here. */
const COUNTED = 1_000;
/** Phrases are looked for in the texts of so many hits at a time, at most so often for a page. */
const PHRASE_STEP = 100;
const PHRASE_STEPS = 6;

class Search {
  @Id() team: string;
  /** Words, "phrases", -words, and tag: site: kind: by: in: added: is: length: marked: appraised: with a value. */
  @MaybeSought(500) query?: string;
  @MaybeOneOf(["best", "newest"]) order?: "best" | "newest";
  /** The last result of the page before: its id and score. */
  @MaybeId() after?: string;
  @Optional() @IsInt() @Min(0) @Max(1e9) score?: number;
  /** At most so many; 25 are a page. */
  @Optional() @IsInt() @Min(1) @Max(50) most?: number;
}

export const search = reading({
  name: "search.find",
  about:
    "Resources of a team in which all the words stand, best or newest first, with the passage in which they do. Without words those that fit the filters, newest first.",
  input: Search,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const asked = await Asked.of(tx, input.team, input.query ?? "", scope.person!);
    const most = input.most ?? PAGE;
    const order = input.order ?? "best";
    const after: Hit | null = input.after ? { id: input.after, score: input.score ?? 0 } : null;
    const seeker = asked.sought.length
      ? new Seeker({
          terms: new Set(asked.sought.flatMap((one) => one.terms.map(({ term }) => term))),
          prefix: asked.query.groups.at(-1)?.prefix ?? null,
        })
      : null;
    const { phrases } = asked.query;
    const page = phrases.length
      ? await withPhrases(asked, order, after, most)
      : await plainPage(asked, order, after, most);
    const results = await describe(asked, page.hits, seeker);
    return {
      results,
      /** How many there are in all, up to a thousand; null on later pages and with phrases. */
      total: page.total,
      next: page.more && page.hits.length ? page.hits.at(-1)! : null,
      chips: chipsOf(input.query ?? ""),
      meant: after || results.length ? null : await meantBy(tx, input.team, input.query ?? "", asked),
      indexed: asked.indexed,
      /** Whether there are words to be best at; else the newest come first. */
      ranked: asked.sought.length > 0,
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
  const { hits, total } = await asked.page(order, after, most + 1, after ? {} : { counted: COUNTED + 1 });
  return { hits: hits.slice(0, most), more: hits.length > most, total };
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
    const { hits: some } = await asked.page(order, last, PHRASE_STEP);
    const ids = some.map((hit) => hit.id);
    const found = await foundById(asked.tx, asked, ids, READ);
    const rows = byId(found);
    for (const hit of some) {
      last = hit;
      const row = rows.get(hit.id);
      if (!row) continue;
      const words = row.places.flatMap((place) => place.slice(3));
      const { title, description, tags } = row.card;
      const all = [title, description, row.notes, ...row.marks, ...words, ...tags, row.text];
      if (asked.query.phrases.every((phrase) => all.some((text) => holdsPhrase(text, row.language, phrase))))
        hits.push(hit);
      if (hits.length === most) return { hits, more: true, total: null };
    }
    if (some.length < PHRASE_STEP) return { hits, more: false, total: after ? null : hits.length };
  }
  return { hits, more: hits.length > 0, total: null };
}

export type Found = Card & {
  /** Each collection once, with the first place in it. */
  places: { placement: string; collection: string; title: string }[];
  marks: [number, number][];
  /** Where the words stand; whether that is in its text, to be read on from there. */
  passage: (Passage & { inText: boolean }) | null;
};

/** How much of a text is looked through first; most passages are found there. */
const BEGINNING = 6_000;
/** A passage has about so many characters. */
const PASSAGE = 180;

/** What a list of results shows of each; with words, where they stand in it. */
async function describe(asked: Asked, hits: readonly Hit[], seeker: Seeker | null): Promise<Found[]> {
  const { tx } = asked;
  const ids = hits.map((hit) => hit.id);
  const found = await foundById(tx, asked, ids, seeker ? BEGINNING : 0);
  const rows = byId(found);
  const passages = seeker
    ? await passagesOf(tx, found, seeker)
    : new Map<string, NonNullable<Found["passage"]>>();
  return ids.flatMap((id) => {
    const row = rows.get(id);
    if (!row) return [];
    const { card, language, places } = row;
    return {
      ...card,
      places: eachOnce(places),
      marks: seeker?.marksIn(card.title, language) ?? [],
      passage: passages.get(id) ?? null,
    };
  });
}

function eachOnce(places: FoundRow["places"]): Found["places"] {
  const once = new Map<string, Found["places"][number]>();
  for (const [placement, collection, title] of places)
    if (!once.has(collection)) once.set(collection, { placement, collection, title });
  return [...once.values()];
}

const byId = (rows: readonly FoundRow[]) => new Map(rows.map((row) => [row.card.id, row] as const));

/**
 * Where the words stand: in the curator's own words first, then in what the page says of itself, then in its text. Of
 * long texts the rest is read only when nothing was found before it.
 */
async function passagesOf(
  tx: Tx,
  rows: readonly FoundRow[],
  seeker: Seeker,
): Promise<Map<string, NonNullable<Found["passage"]>>> {
  const found = new Map<string, NonNullable<Found["passage"]>>();
  const look = (row: FoundRow, texts: readonly string[], inText: boolean) => {
    for (const text of texts) {
      const passage = text ? seeker.passageIn(text, row.language, PASSAGE) : null;
      if (passage) return void found.set(row.card.id, { ...passage, inText });
    }
  };
  const isLong = (row: FoundRow) => row.text.length >= BEGINNING;
  for (const row of rows) {
    const said = [...row.places.flatMap((place) => place.slice(3)), row.notes, ...row.marks];
    look(row, [...said, row.card.description], false);
    if (found.has(row.card.id)) continue;
    look(row, [row.text], true);
    const { cut } = found.get(row.card.id) ?? {};
    if (cut) cut[1] ||= isLong(row);
  }
  const rest = rows.filter((row) => isLong(row) && !found.has(row.card.id));
  // A passage that lies across the border is found whole.
  const from = BEGINNING - 2 * PASSAGE;
  const texts = await textsOf(
    tx,
    rest.map((row) => row.card.id),
    from,
    READ,
  );
  for (const row of rest) {
    const text = texts.get(row.card.id) ?? "";
    look(row, [text], true);
    const { cut } = found.get(row.card.id) ?? {};
    if (cut) [cut[0], cut[1]] = [true, cut[1] || text.length >= READ - from];
  }
  return found;
}
