import { and, asc, count, desc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import { FIRST_RULE, type SignUpRule } from "@/core/care/sign-up";
import type { Tx } from "../database";
import {
  collection,
  deed,
  installation,
  membership,
  person,
  report,
  shareLink,
  steward,
  team,
} from "../schema";

export type DeedRow = typeof deed.$inferSelect;
export type ReportRow = typeof report.$inferSelect;

export const isSteward = async (tx: Tx, who: string): Promise<boolean> =>
  (await tx.select({ one: steward.person }).from(steward).where(eq(steward.person, who))).length > 0;

/** All stewards, by name. */
export const stewardsNow = (tx: Tx) =>
  tx
    .select({ id: person.id, name: person.name, email: person.email, since: steward.createdAt })
    .from(steward)
    .innerJoin(person, eq(person.id, steward.person))
    .orderBy(asc(person.name), asc(person.id));

/** Names somebody a steward. */
export async function addSteward(tx: Tx, who: string, at: Date): Promise<void> {
  await tx
    .insert(steward)
    .values({ person: who, createdAt: at })
    .onDuplicateKeyUpdate({ set: { createdAt: sql`created_at` } });
}

export async function dropSteward(tx: Tx, who: string): Promise<void> {
  await tx.delete(steward).where(eq(steward.person, who));
}

/** Writes down what a steward did, or what a team answered. */
export async function addDeed(tx: Tx, row: DeedRow): Promise<void> {
  await tx.insert(deed).values(row);
}

/** What was done last, that first that came last. */
export const lastDeeds = (tx: Tx, most: number) =>
  tx
    .select({
      ...{ id: deed.id, at: deed.at, kind: deed.kind, collection: deed.collection, title: deed.title },
      ...{ teamName: deed.teamName, words: deed.words, by: person.name },
    })
    .from(deed)
    .leftJoin(person, eq(person.id, deed.person))
    .orderBy(desc(deed.at), desc(deed.id))
    .limit(most);

/** With which words a collection was hidden last, and what its team has answered since. */
export async function hidingOf(tx: Tx, id: string): Promise<{ words: string; answer: string } | null> {
  const rows = await tx
    .select({ kind: deed.kind, words: deed.words })
    .from(deed)
    .where(and(eq(deed.collection, id), inArray(deed.kind, ["hide", "answer"])))
    .orderBy(desc(deed.at), desc(deed.id))
    .limit(50);
  const hidden = rows.findIndex(({ kind }) => kind === "hide");
  if (hidden < 0) return null;
  return { words: rows[hidden]!.words, answer: hidden ? rows[0]!.words : "" };
}

export async function addReport(tx: Tx, row: ReportRow): Promise<void> {
  await tx.insert(report).values(row);
}

/** How many reports of a collection wait. */
export async function countOpenReports(tx: Tx, id: string): Promise<number> {
  const [row] = await tx
    .select({ n: count() })
    .from(report)
    .where(and(eq(report.collection, id), isNull(report.closedAt)));
  return row?.n ?? 0;
}

export const countAllOpenReports = async (tx: Tx): Promise<number> =>
  (await tx.select({ n: count() }).from(report).where(isNull(report.closedAt)))[0]!.n;

const about = {
  collection: collection.id,
  title: collection.title,
  team: team.id,
  teamName: team.name,
  hiddenAt: collection.hiddenAt,
};
const codeOf = sql<string | null>`(SELECT l.code FROM ${shareLink} l WHERE l.collection = ${collection.id}
  AND l.revoked_at IS NULL ORDER BY l.created_at DESC LIMIT 1)`;

/** The reports that wait, the oldest first. */
export const openReports = (tx: Tx, most: number) =>
  tx
    .select({
      ...{ id: report.id, reason: report.reason, words: report.words, address: report.address },
      ...{ createdAt: report.createdAt, ...about, code: codeOf },
    })
    .from(report)
    .innerJoin(collection, eq(collection.id, report.collection))
    .innerJoin(team, eq(team.id, collection.team))
    .where(isNull(report.closedAt))
    .orderBy(asc(report.createdAt), asc(report.id))
    .limit(most);

/** A report, held until the end of the transaction. */
export const lockReport = async (tx: Tx, id: string): Promise<ReportRow | null> =>
  (await tx.select().from(report).where(eq(report.id, id)).for("update"))[0] ?? null;

/** Notes that reports were decided about: one of them, or all of a collection. */
export async function closeReports(tx: Tx, which: { id: string } | { collection: string }, at: Date) {
  const of = "id" in which ? eq(report.id, which.id) : eq(report.collection, which.collection);
  await tx
    .update(report)
    .set({ closedAt: at })
    .where(and(of, isNull(report.closedAt)));
}

/** Which collections of a team are hidden now, by their ids in order. */
export const hiddenOf = async (tx: Tx, of: string): Promise<string[]> =>
  (
    await tx
      .select({ id: collection.id })
      .from(collection)
      .where(and(eq(collection.team, of), isNotNull(collection.hiddenAt)))
      .orderBy(asc(collection.id))
  ).map(({ id }) => id);

/** What is hidden now, that first that was hidden last. */
export const hiddenNow = (tx: Tx, most: number) =>
  tx
    .select(about)
    .from(collection)
    .innerJoin(team, eq(team.id, collection.team))
    .where(and(isNotNull(collection.hiddenAt), isNull(collection.deletedAt)))
    .orderBy(desc(collection.hiddenAt))
    .limit(most);

// Of a single table a column is written without it, and would be one of the inner table.
const ofTeam = sql`${sql.identifier("team")}.${sql.identifier("id")}`;

/** The teams of the installation by name, with how many are in each and how much it has made public. */
export const allTeams = (tx: Tx, after: { name: string; id: string } | null, most: number) =>
  tx
    .select({
      ...{ id: team.id, name: team.name, createdAt: team.createdAt },
      people: sql<number>`(SELECT COUNT(*) FROM ${membership} m WHERE m.team = ${ofTeam})`,
      isPublic: sql<number>`(SELECT COUNT(*) FROM ${collection} c WHERE c.team = ${ofTeam} AND c.audience = 'public'
        AND c.deleted_at IS NULL)`,
    })
    .from(team)
    .where(after ? sql`(${team.name}, ${team.id}) > (${after.name}, ${after.id})` : undefined)
    .orderBy(asc(team.name), asc(team.id))
    .limit(most);

export async function countTeams(tx: Tx): Promise<number> {
  return (await tx.select({ n: count() }).from(team))[0]!.n;
}

/** Who may sign up. */
export async function signUpRule(tx: Tx): Promise<SignUpRule> {
  const [row] = await tx.select().from(installation).where(eq(installation.name, "sign-up"));
  return row && "mode" in row.value ? row.value : FIRST_RULE;
}

export const setSignUpRule = (tx: Tx, { mode, domains }: SignUpRule): Promise<void> =>
  keep(tx, "sign-up", { mode, domains: [...domains] });

/** Whether everybody sees what is public, without an account; null: no steward has said, and the settings hold. */
export async function shelvesForEverybody(tx: Tx): Promise<boolean | null> {
  const [row] = await tx.select().from(installation).where(eq(installation.name, "shelves"));
  return row && "everybody" in row.value ? row.value.everybody : null;
}

export const setShelvesForEverybody = (tx: Tx, everybody: boolean): Promise<void> =>
  keep(tx, "shelves", { everybody });

async function keep(tx: Tx, name: string, value: typeof installation.$inferSelect.value): Promise<void> {
  await tx.insert(installation).values({ name, value }).onDuplicateKeyUpdate({ set: { value } });
}
