import { eq, getTableColumns, getTableName, sql } from "drizzle-orm";
import { format } from "mysql2";
import { bandsOf, readSignature } from "@/core/text/min-hash";
import type { Tx } from "../database";
import { reindexOwn } from "../search/own-words";
import { reindexResources } from "../search/reindex-queue";
import type { mark } from "../schema";
import { archiveImport, nearText, person, reindexQueue, team } from "../schema";
import { inParts } from "../sql/by-keys";
import { fieldsOf, valueOf } from "./fields";
import type { Row } from "./rows";
import type { Archived } from "./tables";

export type ArchiveImportRow = typeof archiveImport.$inferSelect;

/** Notes that an archive is to be brought back. */
export async function addArchiveImport(tx: Tx, row: typeof archiveImport.$inferInsert): Promise<void> {
  await tx.insert(archiveImport).values(row);
}

export async function findArchiveImport(tx: Tx, id: string): Promise<ArchiveImportRow | null> {
  return (await tx.select().from(archiveImport).where(eq(archiveImport.id, id)))[0] ?? null;
}

/** What one person has brought back, the newest first. */
export async function archiveImportsOf(tx: Tx, personId: string) {
  const { id, team: made, state, done, total, problem, createdAt } = getTableColumns(archiveImport);
  return tx
    .select({ id, team: made, state, done, total, problem, createdAt, name: team.name })
    .from(archiveImport)
    .leftJoin(team, eq(team.id, made))
    .where(eq(archiveImport.person, personId))
    .orderBy(sql`${archiveImport.id} DESC`)
    .limit(20);
}

/** Takes the team away that was made for an archive of which nothing has come back. */
export async function dropEmptyTeam(tx: Tx, id: string): Promise<void> {
  await tx.delete(team).where(eq(team.id, id));
}

/** Says how far it is. */
export async function setArchiveImport(
  tx: Tx,
  id: string,
  fields: Partial<Pick<ArchiveImportRow, "state" | "done" | "total" | "problem" | "hash" | "updatedAt">>,
): Promise<void> {
  await tx.update(archiveImport).set(fields).where(eq(archiveImport.id, id));
}

/**
 * Writes rows that may be there already from the time before. They are written as one text: to make a value of each field
 * of each row would take longer than all the rest.
 */
export async function loadRows(tx: Tx, archived: Archived, rows: readonly Row[]): Promise<void> {
  if (!rows.length) return;
  const fields = fieldsOf(archived);
  const columns = fields.map((field) => `\`${field.column}\``).join(", ");
  const values = rows.map((row) => fields.map(({ name, kind }) => valueOf(kind, row[name] ?? null)));
  const into = `INSERT IGNORE INTO \`${getTableName(archived.table)}\` (${columns}) VALUES ?`;
  await tx.execute(sql.raw(format(into, [values] as never, false, "Z")));
}

/** What is made from resources that have come back: they are to be found, and texts like theirs too. */
export async function noteLoaded(
  tx: Tx,
  archived: Archived,
  rows: readonly Row[],
  teamId: string,
  newId: () => string,
): Promise<void> {
  if (!rows.length) return;
  if (archived.name === "resource") {
    const waiting = rows.filter((row) => row.deletedAt === null);
    if (waiting.length)
      await tx
        .insert(reindexQueue)
        .values(waiting.map((row) => ({ id: newId(), resource: row.id as string, team: teamId })));
  }
  if (archived.name === "mark") {
    const marks = rows as (typeof mark.$inferSelect)[];
    await reindexResources(
      tx,
      marks.map((one) => one.resource),
    );
    await reindexOwn(
      tx,
      marks.filter((one) => one.private && one.deletedAt === null),
    );
  }
  if (archived.name === "resource_text") {
    const near = rows.flatMap((row) => {
      const signature = readSignature(row.signature as string);
      return signature
        ? bandsOf(signature).map((band) => ({ team: teamId, band, resource: row.resource as string }))
        : [];
    });
    if (near.length) await tx.insert(nearText).ignore().values(near);
  }
}

/** People of whom nothing but a name is known: nobody signs in as one, and they are in no team. */
export async function addNames(
  tx: Tx,
  people: readonly { id: string; name: string }[],
  at: Date,
): Promise<void> {
  await inParts(
    people,
    (part) =>
      tx
        .insert(person)
        .ignore()
        .values(
          part.map(({ id, name }) => ({
            ...{ id, name, createdAt: at, updatedAt: at },
            // No mail ever gets there (RFC 2606).
            email: `${id}@people.invalid`,
          })),
        ),
    500,
  );
}
