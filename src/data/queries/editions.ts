import { and, desc, eq, inArray, isNotNull, isNull, max } from "drizzle-orm";
import type { EditionFile } from "@/core/editions/content";
import type { Tx } from "../database";
import { edition, editionFile, person, placement, resourceFile, resourceText } from "../schema";
import { inParts } from "../sql/by-keys";

export type EditionRow = typeof edition.$inferSelect;

/** The numbered editions of a collection, the newest first. */
export async function editionsOf(tx: Tx, id: string) {
  const rows = await tx
    .select({ edition, by: person.name })
    .from(edition)
    .leftJoin(person, eq(person.id, edition.person))
    .where(and(eq(edition.collection, id), isNotNull(edition.number)))
    .orderBy(desc(edition.number));
  return rows.map(({ edition: { number, ...row }, by }) => ({ ...row, number: number!, by: by ?? "" }));
}

/** An edition of a collection by its number; null when there is none. */
export async function editionByNumber(tx: Tx, id: string, number: number): Promise<EditionRow | null> {
  const rows = await tx
    .select()
    .from(edition)
    .where(and(eq(edition.collection, id), eq(edition.number, number)));
  return rows[0] ?? null;
}

/**
 * The newest edition of a collection that readers are given; null when there is none.
 * @param whole of the whole collection, no issue of a newsletter
 */
export async function newestEdition(tx: Tx, id: string, whole = false): Promise<EditionRow | null> {
  const rows = await tx
    .select()
    .from(edition)
    .where(
      and(
        eq(edition.collection, id),
        isNotNull(edition.number),
        isNull(edition.withdrawnAt),
        whole ? eq(edition.isIssue, false) : undefined,
      ),
    )
    .orderBy(desc(edition.number))
    .limit(1);
  return rows[0] ?? null;
}

/** The number of the last edition of a collection, withdrawn or not; 0 when there was none. */
export async function lastNumber(tx: Tx, id: string): Promise<number> {
  const [row] = await tx
    .select({ number: max(edition.number) })
    .from(edition)
    .where(eq(edition.collection, id));
  return row?.number ?? 0;
}

/** Writes down an edition and the files it holds. */
export async function addEdition(
  tx: Tx,
  row: typeof edition.$inferInsert,
  files: ReadonlySet<string>,
): Promise<void> {
  await tx.insert(edition).values(row);
  await inParts(
    [...files],
    async (part) => {
      await tx.insert(editionFile).values(part.map((hash) => ({ edition: row.id, hash })));
    },
    500,
  );
}

/** Takes an edition away from readers, or gives it back to them. */
export async function setWithdrawn(tx: Tx, id: string, withdrawnAt: Date | null): Promise<void> {
  await tx.update(edition).set({ withdrawnAt }).where(eq(edition.id, id));
}

type Behind = { resource: string; file: EditionFile | null; textAt: Date | null };

/** Of placements: the resource, its file, and when its reading copy was read. */
export async function behindPlacements(tx: Tx, ids: readonly string[]): Promise<Map<string, Behind>> {
  const found = new Map<string, Behind>();
  await inParts(
    ids,
    async (part) => {
      for (const { id, resource, file, textAt } of await tx
        .select({
          id: placement.id,
          resource: placement.resource,
          file: {
            hash: resourceFile.hash,
            name: resourceFile.name,
            type: resourceFile.type,
            bytes: resourceFile.bytes,
          },
          textAt: resourceText.at,
        })
        .from(placement)
        .leftJoin(resourceFile, eq(resourceFile.resource, placement.resource))
        .leftJoin(resourceText, eq(resourceText.resource, placement.resource))
        .where(inArray(placement.id, part)))
        found.set(id, { resource, file, textAt });
    },
    500,
  );
  return found;
}

/** The reading copies of resources, a few at once so that they never all lie in memory. */
export async function* readingCopies(tx: Tx, ids: readonly string[]) {
  for (let i = 0; i < ids.length; i += 50)
    yield await tx
      .select({ resource: resourceText.resource, html: resourceText.html })
      .from(resourceText)
      .where(inArray(resourceText.resource, ids.slice(i, i + 50)));
}
