import { IsInt, Max, Min } from "class-validator";
import { Seeker } from "@/core/search/passage";
import { readQuery } from "@/core/search/query";
import type { Hit } from "@/core/search/rank";
import { STEMMED } from "@/core/search/stem";
import { listingHolds, passagesIn } from "@/core/shelves/listing";
import { PUBLIC } from "@/core/shelves/public";
import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { listedById, listedLanguages } from "@/data/queries/listings";
import { onShelf, type Shelf } from "@/data/queries/shelves";
import { lookUp } from "@/data/search/terms";
import { reading } from "@/mechanism/action";
import { MaybeId, MaybeSought, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { cachedFor } from "../search/cached-for";
import { meantBy } from "../search/meant";
import { ranked } from "../search/ranked";
import { asCard, upToDate } from "./shown";
import { shelfOf, ShelfWish } from "./wish";

/** Results a page. */
const PAGE = 20;
/** It is looked through so many hits at a time, at most so often for a page: not all of them are public still. */
const [STEP, STEPS] = [50, 8];
/** So many passages are shown of one collection. */
const PASSAGES = 3;

class Find extends ShelfWish {
  /** Words, "phrases", -words, and tag: with a value. */
  @MaybeSought(500) query?: string;
  /** The last result of the page before: its id and score. */
  @MaybeId() after?: string;
  @Optional() @IsInt() @Min(0) @Max(1e9) score?: number;
}

/** The languages that are stemmed, among those public collections are in. */
const stemmed = cachedFor(60_000, async (tx) => {
  const found = (await listedLanguages(tx)).map((one) => one.slice(0, 2).toLowerCase());
  return [null, ...new Set(found.filter((one) => one !== "en" && STEMMED.has(one)))];
});

export const findListed = reading({
  name: "shelves.find",
  about:
    "The public collections of all teams in which all the words stand, in their own or in those of their items, best first, with the passages in which they do.",
  input: Find,
  allow: can.beSignedIn(),
  run: async ({ input, tx }) => {
    const typed = input.query ?? "";
    const shelf = shelfOf(input);
    const last: Hit | null = input.after ? { id: input.after, score: input.score ?? 0 } : null;
    const { results, next, looked } = await pageOf(tx, typed, last, shelf);
    const meant = last || results.length ? null : await meantBy(tx, PUBLIC, typed, looked);
    // The index may have words yet that are public no more: only what finds something is said.
    const isThere = meant !== null && (await pageOf(tx, meant, null, shelf)).results.length > 0;
    return { results, next, meant: isThere ? meant : null };
  },
});

/** The best of what some words find at this moment, with since when each is public. */
export async function foundNow(tx: Tx, typed: string) {
  const { results } = await pageOf(tx, typed, null, {});
  return results.map(({ id, since }) => ({ of: typed, id, since }));
}

/** A page of what is found, behind the last result of the page before. */
export async function pageOf(tx: Tx, typed: string, last: Hit | null, shelf: Shelf) {
  const query = readQuery(typed, await stemmed(tx, PUBLIC));
  const looked = await lookUp(tx, PUBLIC, query, 0);
  const ranking = await ranked(tx, PUBLIC, query, looked);
  const seeker = new Seeker({
    terms: new Set(looked.sought.flatMap((one) => one.terms.map(({ term }) => term))),
    prefix: query.groups.at(-1)?.prefix ?? null,
  });
  const tags = query.filters.tag.map(tagKey);
  const results = [];
  let from = looked.sought.length ? ranking.upTo("best", last) : ranking.length;
  for (let step = 0; step < STEPS && from < ranking.length && results.length < PAGE; step++) {
    const hits = ranking.hits("best", from, from + STEP);
    const wanted = await onShelf(
      tx,
      hits.map((hit) => hit.id),
      shelf,
    );
    const rows = await listedById(tx, [...wanted], now());
    const shown = new Map(
      (await upToDate(hits.flatMap((hit) => rows.get(hit.id) ?? []))).map((row) => [row.id, row]),
    );
    for (const hit of hits) {
      from++;
      const row = shown.get(hit.id);
      if (!row) continue;
      const { content } = row;
      if (!tags.every((key) => content.tags.some((tag) => tagKey(tag) === key))) continue;
      if (!query.phrases.every((phrase) => listingHolds(content, phrase))) continue;
      const marks = seeker.marksIn(content.title, content.language || null);
      const passages = passagesIn(content, seeker, PASSAGES);
      results.push({ ...asCard(row), score: hit.score, marks, passages });
      if (results.length === PAGE) break;
    }
  }
  const end = results.at(-1);
  return {
    results,
    next: from < ranking.length && end ? { after: end.id, score: end.score } : null,
    looked,
  };
}
