import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Searchable, Weighed } from "@/core/search/weigh";
import type { Tx } from "../database";
import {
  collection,
  placement,
  resource,
  resourceText,
  section,
  termDue,
  termList,
  termPosting,
  termStat,
} from "../schema";
import { tagsOf } from "./resources";

type Due = { id: string; resource: string; team: string };

/** The row of term_stat that counts all resources of a team in the index: its term is empty. */
export const ALL = "";

/** Takes some of what is due, locked; what somebody else is at is passed over. */
export async function takeDue(tx: Tx, team: string | null, most: number): Promise<Due[]> {
  return tx
    .select()
    .from(termDue)
    .where(team ? eq(termDue.team, team) : undefined)
    .limit(most)
    .for("update", { skipLocked: true });
}

export async function forgetDue(tx: Tx, ids: readonly string[]): Promise<void> {
  // By the key, whatever the optimizer thinks of it: a scan would wait for the rows that others hold.
  for (let i = 0; i < ids.length; i += 1000)
    await tx.execute(
      sql`DELETE d FROM ${termDue} d FORCE INDEX (PRIMARY) WHERE d.id IN (${sql.join(
        ids.slice(i, i + 1000).map((id) => sql`${id}`),
        sql`, `,
      )})`,
    );
}

/** How many rows are due in a team, counted up to `most`. */
export async function countDue(tx: Tx, team: string, most: number): Promise<number> {
  return (await tx.select({ id: termDue.id }).from(termDue).where(eq(termDue.team, team)).limit(most)).length;
}

/**
 * From here on one at a time in each of these teams, until the transaction ends: everybody meets at the common words,
 * and two who put new words among them would lock each other out.
 */
export async function lockIndex(tx: Tx, teams: readonly string[]): Promise<void> {
  for (const team of [...new Set(teams)].sort()) {
    const own = and(eq(termStat.team, team), eq(termStat.term, ALL));
    const rows = await tx.select({ df: termStat.df }).from(termStat).where(own).for("update");
    if (!rows.length)
      await tx
        .insert(termStat)
        .values({ team, term: ALL, df: 0, word: ALL })
        .onDuplicateKeyUpdate({ set: { df: sql`df` } });
  }
}

/**
 * Locks what the index holds of these resources, so that two who feed the same one do it one after the other.
 * @returns terms with their weights by resource; what was never fed has none
 */
export async function lockTerms(tx: Tx, due: readonly Due[]): Promise<Map<string, Map<string, number>>> {
  const rows = [...new Map(due.map((one) => [one.resource, one])).values()].sort((a, b) =>
    a.resource < b.resource ? -1 : 1,
  );
  await tx
    .insert(termList)
    .values(rows.map(({ resource, team }) => ({ resource, team, terms: "" })))
    .onDuplicateKeyUpdate({ set: { team: sql`team` } });
  const kept = await tx
    .select()
    .from(termList)
    .where(
      inArray(
        termList.resource,
        rows.map((one) => one.resource),
      ),
    )
    .for("update");
  return new Map(kept.map((row) => [row.resource, readTerms(row.terms)]));
}

const readTerms = (lines: string): Map<string, number> =>
  new Map(
    lines
      .split("\n")
      .filter(Boolean)
      .map((line) => {
        const at = line.lastIndexOf(" ");
        return [line.slice(0, at), Number(line.slice(at + 1))];
      }),
  );

/** The words of these resources; what is in the bin has none. */
export async function wordsOf(tx: Tx, ids: readonly string[]): Promise<(Searchable & { id: string })[]> {
  const rows = await tx
    .select({
      id: resource.id,
      title: resource.title,
      description: resource.description,
      siteName: resource.siteName,
      host: resource.host,
      authors: resource.authors,
      language: resource.language,
      text: resourceText.text,
    })
    .from(resource)
    .leftJoin(resourceText, eq(resourceText.resource, resource.id))
    .where(and(inArray(resource.id, [...ids]), isNull(resource.deletedAt)));
  const tags = await tagsOf(
    tx,
    rows.map((row) => row.id),
  );
  const places = await tx
    .select({ resource: placement.resource, heading: placement.heading, context: placement.context })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .leftJoin(section, eq(section.id, placement.section))
    .where(
      and(
        inArray(placement.resource, [...ids]),
        isNull(placement.deletedAt),
        isNull(collection.deletedAt),
        isNull(section.deletedAt),
      ),
    );
  const contexts = new Map<string, string[]>();
  for (const { resource: of, heading, context } of places) {
    const list = contexts.get(of) ?? [];
    list.push(...[heading, context].filter(Boolean));
    contexts.set(of, list);
  }
  return rows.map(({ siteName, host, authors, text, ...row }) => ({
    ...row,
    text: text ?? "",
    tags: tags.get(row.id) ?? [],
    contexts: contexts.get(row.id) ?? [],
    source: [siteName, host, ...authors].filter(Boolean),
  }));
}

/** What changes in the index of one resource. */
export type Feeding = { resource: string; team: string; before: Map<string, number>; after: Weighed[] };

/** Writes what is different into the index. Rows are written in the order of their keys, so that writers meet in one order. */
export async function writeTerms(tx: Tx, feedings: readonly Feeding[]): Promise<void> {
  const postings: { team: string; term: string; resource: string; weight: number }[] = [];
  const deltas = new Map<string, { team: string; term: string; df: number; word: string }>();
  const count = (team: string, term: string, word: string, by: number) => {
    const key = `${team} ${term}`;
    const delta = deltas.get(key);
    if (delta) delta.df += by;
    else deltas.set(key, { team, term, df: by, word });
  };
  for (const { resource, team, before, after } of feedings) {
    const kept = new Set<string>();
    for (const { term, weight, word } of after) {
      kept.add(term);
      const was = before.get(term);
      if (was !== weight) postings.push({ team, term, resource, weight });
      if (was === undefined) count(team, term, word, 1);
    }
    const gone = [...before.keys()].filter((term) => !kept.has(term)).sort();
    if (gone.length)
      await tx
        .delete(termPosting)
        .where(
          and(
            eq(termPosting.team, team),
            inArray(termPosting.term, gone),
            eq(termPosting.resource, resource),
          ),
        );
    for (const term of gone) count(team, term, term, -1);
    if (!before.size !== !after.length) count(team, ALL, ALL, after.length ? 1 : -1);
  }
  postings.sort(
    (a, b) => compare(a.team, b.team) || compare(a.term, b.term) || compare(a.resource, b.resource),
  );
  for (let i = 0; i < postings.length; i += 2000)
    await tx
      .insert(termPosting)
      .values(postings.slice(i, i + 2000))
      .onDuplicateKeyUpdate({ set: { weight: sql`VALUES(weight)` } });
  const lists = feedings.map(({ resource, team, after }) => ({
    resource,
    team,
    terms: after.map(({ term, weight }) => `${term} ${weight}`).join("\n"),
  }));
  for (let i = 0; i < lists.length; i += 200)
    await tx
      .insert(termList)
      .values(lists.slice(i, i + 200))
      .onDuplicateKeyUpdate({ set: { terms: sql`VALUES(terms)` } });
  const stats = [...deltas.values()]
    .filter(({ df }) => df !== 0)
    .sort((a, b) => compare(a.team, b.team) || compare(a.term, b.term));
  for (let i = 0; i < stats.length; i += 2000)
    await tx
      .insert(termStat)
      .values(stats.slice(i, i + 2000))
      .onDuplicateKeyUpdate({ set: { df: sql`df + VALUES(df)` } });
  const fallen = stats.filter(({ df }) => df < 0);
  for (const team of new Set(fallen.map((one) => one.team)))
    await tx.delete(termStat).where(
      and(
        eq(termStat.team, team),
        inArray(
          termStat.term,
          fallen.filter((one) => one.team === team).map((one) => one.term),
        ),
        sql`df <= 0 AND term <> ''`,
      ),
    );
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
