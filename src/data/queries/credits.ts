import { and, eq, inArray, isNotNull, isNull } from "drizzle-orm";
import type { LentWords } from "@/core/shelves/offered";
import type { From } from "@/core/shelves/from";
import type { Tx } from "../database";
import { collection, credit, placement, section } from "../schema";
import { inParts } from "../sql/by-keys";

export type CreditRow = typeof credit.$inferSelect;

/** What is said of a credit beside what was taken with it. */
export type CreditSaid = From & { id: string; lender: string };

/** A collection names so many credits: its own, and those of what stands in it. */
const MOST = 50;

/** From where a collection, and the items that stand in it, were taken; its own first, then what was taken last. */
export async function creditsHere(tx: Tx, id: string, own: string | null): Promise<CreditSaid[]> {
  const rows = await tx
    .selectDistinct({ credit: placement.credit })
    .from(placement)
    .where(and(eq(placement.collection, id), isNull(placement.deletedAt), isNotNull(placement.credit)));
  const said = await creditsById(tx, [...(own ? [own] : []), ...rows.flatMap((row) => row.credit ?? [])]);
  return [...said.values()]
    .sort((a, b) => Number(b.id === own) - Number(a.id === own) || (a.id < b.id ? 1 : -1))
    .slice(0, MOST);
}

/** What is said of these credits, by their ids. */
async function creditsById(tx: Tx, ids: readonly string[]): Promise<Map<string, CreditSaid>> {
  if (!ids.length) return new Map();
  const { id, lender, title, teamName, edition, code, takenAt } = credit;
  const rows = await tx
    .select({ id, lender, title, teamName, edition, code, takenAt })
    .from(credit)
    .where(inArray(credit.id, [...ids]));
  return new Map(
    rows.map(({ takenAt, ...row }) => [row.id, { ...row, day: takenAt.toISOString().slice(0, 10) }]),
  );
}

/** What is said of these credits where it leaves the team. */
export async function fromById(tx: Tx, ids: readonly (string | null)[]): Promise<Map<string, From>> {
  const said = await creditsById(tx, [...new Set(ids.flatMap((id) => id ?? []))]);
  return new Map(
    [...said].map(([id, { title, teamName, edition, day, code }]) => [
      id,
      { title, teamName, edition, day, code },
    ]),
  );
}

/** A credit with everything that was taken with it; null: there is none of this team. */
export async function findCredit(tx: Tx, id: string): Promise<CreditRow | null> {
  return (await tx.select().from(credit).where(eq(credit.id, id)))[0] ?? null;
}

/** The same, locked. */
export async function lockCredit(tx: Tx, id: string): Promise<CreditRow | null> {
  return (await tx.select().from(credit).where(eq(credit.id, id)).for("update"))[0] ?? null;
}

/** Writes down from where something was taken. */
export async function addCredit(tx: Tx, row: CreditRow): Promise<void> {
  await tx.insert(credit).values(row);
}

/** Writes down what became of it since. */
export async function writeCredit(
  tx: Tx,
  id: string,
  fields: Partial<Pick<CreditRow, "pairs" | "settled" | "asks">>,
): Promise<void> {
  await tx.update(credit).set(fields).where(eq(credit.id, id));
}

type Words = Partial<Record<LentWords, string>>;

/**
 * The words of these collections, sections and placements, as far as they are not in the bin.
 * @param within the collections they are looked for in: what moved elsewhere may be nothing for whoever asks
 */
export async function ownWords(
  tx: Tx,
  ids: readonly string[],
  within: ReadonlySet<string>,
): Promise<Map<string, Words>> {
  const words = new Map<string, Words>();
  await inParts(ids, async (part) => {
    const some = [...part];
    for (const { id, home, ...own } of [
      ...(await tx
        .select({
          ...{ id: collection.id, home: collection.id, title: collection.title },
          description: collection.description,
        })
        .from(collection)
        .where(and(inArray(collection.id, some), isNull(collection.deletedAt)))),
      ...(await tx
        .select({ id: section.id, home: section.collection, title: section.title, intro: section.intro })
        .from(section)
        .where(and(inArray(section.id, some), isNull(section.deletedAt)))),
      ...(await tx
        .select({
          ...{ id: placement.id, home: placement.collection, heading: placement.heading },
          context: placement.context,
        })
        .from(placement)
        .where(and(inArray(placement.id, some), isNull(placement.deletedAt)))),
    ])
      if (within.has(home)) words.set(id, own);
  });
  return words;
}
