import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import { groupBy } from "@/core/list/group-by";
import { Postings } from "@/core/search/postings";
import type { Query } from "@/core/search/query";
import { weigh } from "@/core/search/weigh";
import type { Tx } from "../database";
import { mark, ownTerm, resource } from "../schema";
import { listed } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";
import { beginning } from "./prefix-matches";

/** A person, and something they may have marked for themselves. */
type Own = { person: string; resource: string };

/** So much of a mark counts, as of those of the team. */
const QUOTED = 300;
const NOTED = 2_000;

/** Makes the words of what people marked for themselves anew, for each of these. */
export async function reindexOwn(tx: Tx, all: readonly Own[]): Promise<void> {
  for (const { person, resource: of } of all) {
    const marks = await tx
      .select({ team: mark.team, quote: mark.quote, note: mark.note, language: resource.language })
      .from(mark)
      .innerJoin(resource, eq(resource.id, mark.resource))
      .where(
        and(eq(mark.person, person), eq(mark.resource, of), eq(mark.private, true), isNull(mark.deletedAt)),
      );
    await tx.delete(ownTerm).where(and(eq(ownTerm.person, person), eq(ownTerm.resource, of)));
    const [first] = marks;
    if (!first) continue;
    const words = weigh({
      ...NOTHING,
      language: first.language,
      marks: marks.flatMap(({ quote, note }) => [quote.slice(0, QUOTED), note.slice(0, NOTED)]),
    });
    const rows = words.map(({ term, weight }) => ({ person, team: first.team, term, resource: of, weight }));
    for (let i = 0; i < rows.length; i += 500) await tx.insert(ownTerm).values(rows.slice(i, i + 500));
  }
}
const NOTHING = { title: "", tags: [], contexts: [], notes: "", description: "", source: [], text: "" };

/** More words than these of one's own are not looked through for one search. */
const MOST = 20_000;

/** The words of a query among those a person has for themselves: by their terms, in which resources they stand. */
export async function ownPostings(
  tx: Tx,
  { person, team }: { person: string; team: string },
  { groups, without }: Pick<Query, "groups" | "without">,
): Promise<Map<string, Postings>> {
  const terms = [...new Set([...groups.flatMap((group) => group.terms), ...without.flat()])];
  const prefixes = groups.flatMap(({ prefix }) => prefix ?? []);
  if (!terms.length && !prefixes.length) return new Map();
  const any = [
    ...(terms.length ? [sql`term IN (${listed(terms)})`] : []),
    ...prefixes.map((prefix) => sql`(${beginning(prefix)})`),
  ];
  const rows = await queryRows<{ term: string; resource: string; weight: number }>(
    tx,
    sql`SELECT term, resource, weight FROM ${ownTerm} WHERE person = ${person} AND team = ${team} AND (${sql.join(any, sql` OR `)}) LIMIT ${MOST}`,
  );
  return new Map([...groupBy(rows, (row) => row.term)].map(([term, list]) => [term, Postings.of(list)]));
}

/** Whatever people marked for themselves, to be made anew with the index. */
export const everyOwnMark = (tx: Tx): Promise<Own[]> =>
  tx
    .selectDistinct({ person: mark.person, resource: mark.resource })
    .from(mark)
    .where(and(eq(mark.private, true), isNull(mark.deletedAt)));

/** Where these marks stand that are one person's alone. */
export const everyOwn = (tx: Tx, ids: readonly string[]): Promise<Own[]> =>
  tx
    .selectDistinct({ person: mark.person, resource: mark.resource })
    .from(mark)
    .where(and(eq(mark.private, true), inArray(mark.id, [...ids])));
