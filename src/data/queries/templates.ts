import { eq, getTableColumns } from "drizzle-orm";
import type { Tx } from "../database";
import { collection, documentTemplate } from "../schema";

/** The template of a team; null: it has none. */
export async function templateOfTeam(tx: Tx, team: string) {
  return (await tx.select().from(documentTemplate).where(eq(documentTemplate.team, team)))[0] ?? null;
}

/** The template of the team a collection belongs to. */
export async function templateFor(tx: Tx, id: string) {
  const [found] = await tx
    .select(getTableColumns(documentTemplate))
    .from(documentTemplate)
    .innerJoin(collection, eq(collection.team, documentTemplate.team))
    .where(eq(collection.id, id));
  return found ?? null;
}

/** Gives a team a template, in place of the one it had. */
export async function setTemplate(tx: Tx, row: typeof documentTemplate.$inferInsert): Promise<void> {
  const { hash, name, addedBy, createdAt } = row;
  await tx
    .insert(documentTemplate)
    .values(row)
    .onDuplicateKeyUpdate({ set: { hash, name, addedBy, createdAt } });
}

export async function dropTemplate(tx: Tx, team: string): Promise<void> {
  await tx.delete(documentTemplate).where(eq(documentTemplate.team, team));
}
