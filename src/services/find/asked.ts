import type { SQL } from "drizzle-orm";
import { inArray, sql } from "drizzle-orm";
import { foldName, type Query, readQuery } from "@/core/search/query";
import { STEMMED } from "@/core/search/stem";
import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import { filterOn, leftOut, tagIdsNamed } from "@/data/queries/filters";
import {
  areLong,
  findByFilters,
  findByWords,
  type Hit,
  type Hits,
  middleResource,
} from "@/data/queries/search";
import { lookUp, type Sought } from "@/data/queries/terms";
import { languagesOf } from "@/data/queries/languages";
import { membersOf } from "@/data/queries/teams";
import { feedSome } from "./feed";
import { keptFor } from "./kept-for";

/** Up to so many changes are taken up before a search, so that what was saved a moment ago is found. */
const AT_ONCE = 5;

/** The languages of a team's texts that are stemmed. */
const stemmedLanguages = keptFor(60_000, async (tx, team) => {
  const found = (await languagesOf(tx, team)).map((one) => one.slice(0, 2).toLowerCase());
  return [null, ...new Set(found.filter((one) => one !== "en" && STEMMED.has(one)))];
});
const middleOf = keptFor(600_000, middleResource);

/** A search made ready: what was typed as terms of the team's index and as a condition. */
export class Asked {
  private constructor(
    readonly tx: Tx,
    readonly team: string,
    readonly query: Query,
    readonly sought: Sought[],
    readonly filters: SQL | null,
    readonly tagIds: string[][],
    readonly indexed: number,
  ) {}

  static async of(tx: Tx, team: string, text: string): Promise<Asked> {
    const query = readQuery(text, await stemmedLanguages(tx, team));
    const { filters } = query;
    const [looked, tags, people, tree] = await Promise.all([
      lookUp(tx, team, query.groups, AT_ONCE + 1),
      tagIdsNamed(tx, team, filters.tag.map(tagKey)),
      filters.by.length ? membersOf(tx, team) : [],
      filters.in.length ? collectionTree(tx, team) : [],
    ]);
    let { sought, indexed } = looked;
    if (looked.due > 0 && looked.due <= AT_ONCE) {
      await feedSome(team, AT_ONCE).catch(() => 0);
      ({ sought, indexed } = await lookUp(tx, team, query.groups, 0));
    }
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
      collections: withInside(
        tree,
        tree.filter((one) => begins(one.title, filters.in)).map((one) => one.id),
      ),
    };
    const narrowed = filterOn(team, filters, names);
    // With words, what is left out is left out of their lists.
    const without = query.groups.length ? [] : query.without.flat();
    const left = without.length ? leftOut(team, without, sql`r.id`) : null;
    const all = [narrowed, left].filter((one) => one !== null);
    return new Asked(tx, team, query, sought, all.length ? sql.join(all, sql` AND `) : null, tags, indexed);
  }

  /**
   * A page of what is found.
   * @param counted all there are are counted up to here
   */
  async page(
    order: "best" | "newest",
    after: Hit | null,
    most: number,
    { counted, also = null }: { counted?: number; also?: SQL | null } = {},
  ): Promise<Hits> {
    const { tx, team, sought, query, indexed } = this;
    const filters = also ? (this.filters ? sql`${this.filters} AND ${also}` : also) : this.filters;
    if (!sought.length) {
      const tags = this.tagIds[0] ?? [];
      return findByFilters(tx, team, filters, { tags, after: after?.id ?? null, most, counted });
    }
    const without = query.without.flat();
    const middle = areLong(sought) ? await middleOf(tx, team) : null;
    return findByWords(tx, { team, sought, without, filters, indexed, order, after, most, counted, middle });
  }

  /** The condition for counting among what is found: all there is, or the best (without words the newest) `most`. */
  async among(most: number): Promise<{ among: SQL; whole: boolean; best: number | null }> {
    const all = sql`r.team = ${this.team} AND r.deleted_at IS NULL`;
    if (!this.sought.length && !this.filters) return { among: all, whole: true, best: null };
    const { hits } = await this.page("best", null, most + 1);
    const ids = hits.map((hit) => hit.id);
    const counted = ids.slice(0, most);
    const among = counted.length ? sql`r.deleted_at IS NULL AND ${inArray(sql`r.id`, counted)}` : sql`FALSE`;
    return { among, whole: false, best: ids.length > most ? most : null };
  }
}

type Node = { id: string; parent: string | null };
function withInside(tree: readonly Node[], roots: readonly string[]): string[] {
  const all = [...roots];
  for (const id of all)
    all.push(...tree.filter((one) => one.parent === id && !all.includes(one.id)).map((one) => one.id));
  return all;
}
