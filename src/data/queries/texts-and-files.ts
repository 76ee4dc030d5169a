import { and, eq, inArray, isNotNull, isNull, ne, sql } from "drizzle-orm";
import type { Tx } from "../database";
import {
  nearText,
  pictureCandidate,
  placement,
  resource,
  resourceFile,
  resourceText,
  duplicateApart,
  fileBlob,
  proposal,
} from "../schema";
import { inParts } from "../sql/by-keys";

type Text = Omit<typeof resourceText.$inferInsert, "resource">;
type Proposal = Omit<typeof proposal.$inferInsert, "resource">;

/** Stores the long text of a resource in place of the one it had, with the bands by which texts like it are found. */
export async function storeText(
  tx: Tx,
  { id, team }: { id: string; team: string },
  text: Text,
  bands: readonly string[],
): Promise<void> {
  await tx
    .insert(resourceText)
    .values({ resource: id, ...text })
    .onDuplicateKeyUpdate({ set: text });
  await tx.delete(nearText).where(eq(nearText.resource, id));
  if (bands.length) await tx.insert(nearText).values(bands.map((band) => ({ team, band, resource: id })));
}

/** How hard the texts of these resources are to read, by their ids, where that is known. */
export async function lixAmong(tx: Tx, resources: readonly string[]): Promise<Map<string, number>> {
  if (!resources.length) return new Map();
  const rows = await tx
    .select({ id: resourceText.resource, lix: resourceText.lix })
    .from(resourceText)
    .where(inArray(resourceText.resource, [...resources]));
  return new Map(rows.flatMap(({ id, lix }) => (lix === null ? [] : [[id, lix]])));
}

/** How hard what stands at these placements is to read, as far as that is known. */
export async function lixOfPlacements(tx: Tx, ids: readonly string[]): Promise<number[]> {
  if (!ids.length) return [];
  const rows = await tx
    .select({ lix: resourceText.lix })
    .from(placement)
    .innerJoin(resourceText, eq(resourceText.resource, placement.resource))
    .where(and(inArray(placement.id, [...ids]), isNotNull(resourceText.lix)));
  return rows.map((row) => row.lix!);
}

/** What a new look at the page found and nobody has decided on yet. */
export async function findProposal(tx: Tx, id: string) {
  return (await tx.select().from(proposal).where(eq(proposal.resource, id)))[0] ?? null;
}

/** Lays what a new look at a page found before people. */
export async function storeProposal(tx: Tx, id: string, found: Proposal): Promise<void> {
  await tx
    .insert(proposal)
    .values({ resource: id, ...found })
    .onDuplicateKeyUpdate({ set: found });
}

/** What was proposed was taken, or is no longer true. */
export async function dropProposal(tx: Tx, id: string): Promise<void> {
  await tx.delete(proposal).where(eq(proposal.resource, id));
}

/** Notes that a file is stored under its hash. */
export async function noteFile(tx: Tx, row: typeof fileBlob.$inferInsert): Promise<void> {
  await tx
    .insert(fileBlob)
    .values(row)
    .onDuplicateKeyUpdate({ set: { bytes: row.bytes } });
}

/** The small pictures that stand in documents, by the hashes of those they were made from. */
export async function smallPictures(tx: Tx, hashes: readonly string[]): Promise<Map<string, string>> {
  const found = new Map<string, string>();
  await inParts(
    hashes,
    async (part) => {
      const rows = await tx
        .select({ hash: fileBlob.hash, small: fileBlob.small })
        .from(fileBlob)
        .where(inArray(fileBlob.hash, part));
      for (const { hash, small } of rows) if (small) found.set(hash, small);
    },
    500,
  );
  return found;
}

/** Notes the small picture that was made of another one. */
export async function noteSmall(tx: Tx, hash: string, small: string): Promise<void> {
  await tx.update(fileBlob).set({ small }).where(eq(fileBlob.hash, hash));
}

/** Says of which file a resource is. */
export async function addResourceFile(tx: Tx, row: typeof resourceFile.$inferInsert): Promise<void> {
  await tx.insert(resourceFile).values(row);
}

/** The reading copy of a resource; null when it has none. */
export async function findText(tx: Tx, id: string) {
  return (await tx.select().from(resourceText).where(eq(resourceText.resource, id)))[0] ?? null;
}

/**
 * The reading copy of a resource as it is shown, without its plain words; null when it has none.
 * @param most characters of its HTML; null: all of them
 */
export async function findCopy(tx: Tx, id: string, most: number | null) {
  const { html, origin, at, number } = resourceText;
  const rows = await tx
    .select({
      ...{ origin, at, number },
      html: most === null ? html : sql<string>`LEFT(${html}, ${most})`,
    })
    .from(resourceText)
    .where(eq(resourceText.resource, id));
  return rows[0] ?? null;
}

/** How long the plain words of a resource are, as JavaScript counts: in units of UTF-16. */
export async function lengthOfText(tx: Tx, id: string): Promise<number> {
  const rows = await tx
    .select({ length: sql`LENGTH(CONVERT(${resourceText.text} USING utf16)) DIV 2`.mapWith(Number) })
    .from(resourceText)
    .where(eq(resourceText.resource, id));
  return rows[0]?.length ?? 0;
}

/** The stored file of a resource; null when it has none. */
export async function findFile(tx: Tx, id: string) {
  return (await tx.select().from(resourceFile).where(eq(resourceFile.resource, id)))[0] ?? null;
}

/**
 * Other resources of the team whose texts share a band, with their signatures; the oldest first.
 * @param bands of the text's signature
 * @param without the resource itself
 */
export async function nearTexts(tx: Tx, team: string, bands: readonly string[], without: string) {
  if (!bands.length) return [];
  return tx
    .selectDistinct({ id: nearText.resource, signature: resourceText.signature })
    .from(nearText)
    .innerJoin(resourceText, eq(resourceText.resource, nearText.resource))
    .innerJoin(resource, eq(resource.id, nearText.resource))
    .where(
      and(
        eq(nearText.team, team),
        inArray(nearText.band, [...bands]),
        ne(nearText.resource, without),
        isNull(resource.deletedAt),
      ),
    )
    .orderBy(nearText.resource)
    .limit(50);
}

/** Which of these a person has said is not the same thing as the resource. */
export async function apartFrom(tx: Tx, id: string, others: readonly string[]): Promise<Set<string>> {
  const apart = new Set<string>();
  for (const other of others) {
    const [a, b] = [id, other].sort() as [string, string];
    const rows = await tx
      .select({ a: duplicateApart.a })
      .from(duplicateApart)
      .where(and(eq(duplicateApart.a, a), eq(duplicateApart.b, b)));
    if (rows.length) apart.add(other);
  }
  return apart;
}

/** Replaces the pictures a page offers. */
export async function storeCandidates(tx: Tx, id: string, addresses: readonly string[]): Promise<void> {
  await tx.delete(pictureCandidate).where(eq(pictureCandidate.resource, id));
  if (addresses.length)
    await tx
      .insert(pictureCandidate)
      .values(addresses.slice(0, 8).map((address, no) => ({ resource: id, no, address })));
}

/** Addresses of the pictures a page offers. */
export async function candidatesOf(tx: Tx, id: string): Promise<string[]> {
  const rows = await tx
    .select({ address: pictureCandidate.address })
    .from(pictureCandidate)
    .where(eq(pictureCandidate.resource, id))
    .orderBy(pictureCandidate.no);
  return rows.map((row) => row.address);
}

/** The file of the resource that stands at a placement. */
export async function fileOfPlacement(tx: Tx, id: string) {
  const rows = await tx
    .select({
      hash: resourceFile.hash,
      name: resourceFile.name,
      type: resourceFile.type,
      bytes: resourceFile.bytes,
    })
    .from(placement)
    .innerJoin(resourceFile, eq(resourceFile.resource, placement.resource))
    .where(eq(placement.id, id));
  return rows[0] ?? null;
}

/** Notes the page of a resource as somebody's browser showed it; null: it is to be read from its address again. */
export async function noteSeen(tx: Tx, id: string, hash: string | null): Promise<void> {
  await tx.update(resource).set({ seenHash: hash }).where(eq(resource.id, id));
}
