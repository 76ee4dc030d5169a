import type { SQL } from "drizzle-orm";
import { inArray, sql } from "drizzle-orm";
import { foldName, type Query, readQuery } from "@/core/search/query";
import { STEMMED } from "@/core/search/stem";
import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { collectionTree } from "@/data/queries/collections";
import {
  countIndexed,
  filterOn,
  findByFilters,
  findByWords,
  type Hit,
  lookUpTerms,
  type Sought,
  tagIdsNamed,
} from "@/data/queries/search";
import { countDue } from "@/data/queries/search-feed";
import { languagesOf } from "@/data/queries/languages";
import { membersOf } from "@/data/queries/teams";
import { feedSome } from "./feed";

/** Up to so many changes are taken up before a search, so that what was saved a moment ago is found. */
const AT_ONCE = 5;
const LANGUAGES_FOR = 60_000;
const languages = new Map<string, { at: number; list: (string | null)[] }>();

/** The languages of a team's texts that are stemmed; looked for once a minute. */
async function stemmedLanguages(tx: Tx, team: string): Promise<(string | null)[]> {
  const kept = languages.get(team);
  if (kept && Date.now() - kept.at < LANGUAGES_FOR) return kept.list;
  const found = (await languagesOf(tx, team)).map((one) => one.slice(0, 2).toLowerCase());
  const list = [null, ...new Set(found.filter((one) => one !== "en" && STEMMED.has(one)))];
  languages.set(team, { at: Date.now(), list });
  if (languages.size > 1_000) languages.clear();
  return list;
}

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
    const due = await countDue(tx, team, AT_ONCE + 1);
    if (due > 0 && due <= AT_ONCE) await feedSome(team, AT_ONCE).catch(() => 0);
    const query = readQuery(text, await stemmedLanguages(tx, team));
    const { filters } = query;
    const [sought, indexed, tags, people, tree] = await Promise.all([
      lookUpTerms(tx, team, query.groups),
      countIndexed(tx, team),
      tagIdsNamed(tx, team, filters.tag.map(tagKey)),
      filters.by.length ? membersOf(tx, team) : [],
      filters.in.length ? collectionTree(tx, team) : [],
    ]);
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
    return new Asked(tx, team, query, sought, filterOn(team, filters, names), tags, indexed);
  }

  /** A page of what is found. */
  hits(order: "best" | "newest", after: Hit | null, most: number, also: SQL | null = null): Promise<Hit[]> {
    const { tx, team, sought, query, indexed } = this;
    const filters = also ? (this.filters ? sql`${this.filters} AND ${also}` : also) : this.filters;
    if (!sought.length) {
      const single = this.tagIds.length ? this.tagIds[0]! : [];
      return findByFilters(tx, team, filters, { tags: single, after: after?.id ?? null, most });
    }
    const without = query.without.flat();
    return findByWords(tx, { team, sought, without, filters, indexed, order, after, most });
  }

  /** The condition for counting among what is found: all there is, or the best `most` of it. */
  async among(most: number): Promise<{ among: SQL; whole: boolean; best: number | null }> {
    const all = sql`r.team = ${this.team} AND r.deleted_at IS NULL`;
    if (!this.sought.length) return { among: this.filters ?? all, whole: !this.filters, best: null };
    const ids = (await this.hits("best", null, most + 1)).map((hit) => hit.id);
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
