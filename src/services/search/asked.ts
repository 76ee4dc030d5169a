import { insideOf } from "@/core/list/tree-moves";
import { foldName, type Query, readQuery } from "@/core/search/query";
import type { Hit, Order, Ranking } from "@/core/search/rank";
import { STEMMED } from "@/core/search/stem";
import { tagKey } from "@/core/tags/tag-name";
import { MARKED } from "@/core/search/weigh";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import { addedAfter, type Condition, filterOn, tagIdsNamed } from "@/data/search/filters";
import { Postings } from "@/core/search/postings";
import { ownPostings } from "@/data/search/own-words";
import { allPassing, newestPassing, passing } from "@/data/search/passing";
import { lookUp, type Sought } from "@/data/search/terms";
import { languagesOf } from "@/data/search/languages";
import { meaningsOf } from "@/data/queries/marks";
import { membersOf } from "@/data/queries/teams";
import { feedSome } from "./feed";
import { cachedFor } from "./cached-for";
import { ranked } from "./ranked";

/** Up to so many changes are taken up before a search, so that what was saved a moment ago is found. */
const AT_ONCE = 5;

/** The languages of a team's texts that are stemmed. */
const stemmedLanguages = cachedFor(60_000, async (tx, team) => {
  const found = (await languagesOf(tx, team)).map((one) => one.slice(0, 2).toLowerCase());
  return [null, ...new Set(found.filter((one) => one !== "en" && STEMMED.has(one)))];
});

/** How filters are looked at, see `fitting`. */
type Limits = {
  /** So many hits are looked at at first, when there are more than can be at a time. */
  first: number;
  /** So many at a time. */
  step: number;
  /** When more than these would have to be looked at, it is tried the other way. */
  far: number;
  /** When the filters let no more than this through in all, these are read. */
  few: number;
};
const LIMITS: Limits = { first: 500, step: 2_000, far: 6_000, few: 20_000 };

/** Hits, and how many there are in all when it was asked to count them. */
export type Hits = { hits: Hit[]; total: number | null };
const pageOf = (hits: Hit[], most: number, counted: number): Hits => ({
  hits: hits.slice(0, most),
  total: counted ? hits.length : null,
});

/** A word of the query with the terms that stand for it among one's own, too. */
function withOwn(
  { typed, terms }: Sought,
  { terms: named, prefix }: Query["groups"][number],
  own: ReadonlyMap<string, Postings>,
): Sought {
  const there = new Set(terms.map((one) => one.term));
  const fresh = [...own].filter(
    ([term]) => !there.has(term) && (named.includes(term) || (prefix !== null && term.startsWith(prefix))),
  );
  return { typed, terms: [...terms, ...fresh.map(([term, { length: df }]) => ({ term, df }))] };
}

/** A search made ready: what was typed as terms of the team's index and as a condition. */
export class Asked {
  private ranking?: Promise<Ranking>;

  /** @param own the words of what the person marked for themselves, which stand in an index of theirs alone */
  private constructor(
    readonly tx: Tx,
    readonly team: string,
    readonly person: string,
    readonly query: Query,
    readonly sought: Sought[],
    readonly filters: Condition | null,
    readonly tagIds: string[][],
    readonly indexed: number,
    readonly lists: ReadonlyMap<string, Postings>,
    private readonly own: ReadonlyMap<string, Postings>,
    /** What somebody has marked, when that was asked for and all of it is in the index. */
    private readonly marked: Postings | null,
    private readonly limits: Limits,
  ) {}

  static async of(tx: Tx, team: string, text: string, person: string, limits = LIMITS): Promise<Asked> {
    const query = readQuery(text, await stemmedLanguages(tx, team));
    const { filters } = query;
    const terms = { ...query, keys: filters.marked.length ? [MARKED] : [] };
    const [looked, own, tags, people, tree, meanings] = await Promise.all([
      lookUp(tx, team, terms, AT_ONCE + 1),
      ownPostings(tx, { person, team }, query),
      tagIdsNamed(tx, team, filters.tag.map(tagKey)),
      filters.by.length ? membersOf(tx, team) : [],
      filters.in.length ? collectionTree(tx, team) : [],
      filters.marked.some((one) => one !== "any" && one !== "me") ? meaningsOf(tx, team) : [],
    ]);
    let known = looked;
    if (looked.queued > 0 && looked.queued <= AT_ONCE) {
      await feedSome(team, AT_ONCE).catch(() => 0);
      known = await lookUp(tx, team, terms, 1);
    }
    const { indexed, lists, queued } = known;
    // Not to be gone by while something waits to be fed: it may be marked since.
    const marked = terms.keys.length && !queued ? (lists.get(MARKED) ?? Postings.NONE) : null;
    const sought = known.sought.map((one, i) => withOwn(one, query.groups[i]!, own));
    const begins = (name: string, wanted: readonly string[]) =>
      wanted.some(
        (one) =>
          foldName(name)
            .split(" ")
            .some((word) => word.startsWith(foldName(one))) || foldName(name).startsWith(foldName(one)),
      );
    const names = {
      tags,
      people: people.filter((one) => begins(one.name, filters.by)).map((one) => one.id),
      // A collection means what stands inside it too.
      collections: [
        ...insideOf(tree, ...tree.filter((one) => begins(one.title, filters.in)).map((one) => one.id)),
      ],
      person,
      meanings: filters.marked.map((name) =>
        meanings.filter((one) => begins(one.name, [name])).map((one) => one.id),
      ),
    };
    const condition = filterOn(team, filters, names);
    return new Asked(tx, team, person, query, sought, condition, tags, indexed, lists, own, marked, limits);
  }

  /**
   * A page of what is found.
   * @param options.counted all there are are counted up to here
   * @param options.since only what was added after that time
   */
  async page(
    order: Order,
    after: Hit | null,
    most: number,
    { counted = 0, since = null }: { counted?: number; since?: Date | null } = {},
  ): Promise<Hits> {
    const { filters } = this;
    const both = since ? addedAfter(since, filters) : filters;
    const enough = Math.max(most, counted);
    if (!this.sought.length) return pageOf(await this.byFilters(after, enough, both), most, counted);
    const all = await this.ranked();
    const ranking = this.marked ? all.among(this.marked) : all;
    const from = ranking.upTo(order, after);
    if (both) return pageOf(await this.fitting(ranking, order, from, enough, both), most, counted);
    const total = counted ? Math.min(counted, ranking.length - from) : null;
    return { hits: ranking.hits(order, from, from + most), total };
  }

  /** All in which the words stand, by the lists of their terms; without looking at the filters. */
  private ranked(): Promise<Ranking> {
    return (this.ranking ??= ranked(this.tx, this.team, this.query, this, this.own));
  }

  /**
   * Those of a ranking behind a place that the filters let through. Where many fit, enough are soon found. Where few do, the
   * filters may let few through in all, which are read instead.
   */
  private async fitting(
    ranking: Ranking,
    order: Order,
    from: number,
    most: number,
    filters: Condition,
  ): Promise<Hit[]> {
    const { tx, team, limits } = this;
    const { first, step } = limits;
    const found: Hit[] = [];
    for (let at = from; at < ranking.length && found.length < most;) {
      const left = ranking.length - at;
      // So many more would have to be looked at, did as many of them fit as of those before.
      const more = ((most - found.length) * (at - from)) / found.length;
      if (at === from + first && Math.min(more, left) > limits.far) {
        const few = await allPassing(tx, team, filters, limits.few);
        if (few) {
          const last = from ? ranking.at(order, from - 1) : null;
          const some = ranking.among(Postings.unweighted(few));
          const start = some.upTo(order, last);
          return some.hits(order, start, start + most);
        }
      }
      const size = left <= step ? left : Math.min(step, Math.max(first, Math.ceil(more || 0)));
      const some = ranking.hits(order, at, at + size);
      const fit = new Set(
        await passing(
          tx,
          filters,
          some.map((hit) => hit.id),
        ),
      );
      found.push(...some.filter((hit) => fit.has(hit.id)));
      at += size;
    }
    return found.slice(0, most);
  }

  /** What the filters alone let through, without what holds a term that is left out. */
  private async byFilters(after: Hit | null, most: number, filters: Condition | null): Promise<Hit[]> {
    const { tx, team } = this;
    const { step } = this.limits;
    const tags = this.tagIds[0] ?? [];
    const from = after?.id ?? null;
    const without = [...new Set(this.query.without.flat())];
    const left = without.flatMap((term) => this.lists.get(term) ?? []);
    if (!left.length) return newestPassing(tx, team, filters, { tags, after: from, most });
    const found: Hit[] = [];
    let last = from;
    while (found.length < most) {
      const some = await newestPassing(tx, team, filters, { tags, after: last, most: step });
      found.push(...some.filter(({ id }) => !left.some((postings) => postings.has(id))));
      if (some.length < step) break;
      last = some.at(-1)!.id;
    }
    return found.slice(0, most);
  }

  /**
   * What is found, to count among it: the best (without words the newest) `most`; null when nothing is asked for, and
   * that is everything.
   * @returns with `best`, how many that are when there are more
   */
  async counting(most: number): Promise<{ ids: string[]; best: number | null } | null> {
    if (!this.sought.length && !this.filters && !this.query.without.length) return null;
    const { hits } = await this.page("best", null, most + 1);
    const ids = hits.slice(0, most).map((hit) => hit.id);
    return { ids, best: hits.length > most ? most : null };
  }
}
