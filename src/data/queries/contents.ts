import { and, eq, inArray, isNull, ne } from "drizzle-orm";
import type { Tx } from "../database";
import {
  nearText,
  pictureCandidate,
  placement,
  resource,
  resourceFile,
  resourceText,
  twinApart,
} from "../schema";

export async function findText(tx: Tx, id: string) {
  return (await tx.select().from(resourceText).where(eq(resourceText.resource, id)))[0] ?? null;
}

export async function findFile(tx: Tx, id: string) {
  return (await tx.select().from(resourceFile).where(eq(resourceFile.resource, id)))[0] ?? null;
}

/** Other resources of the team whose texts share a band, with their signatures; the oldest first. */
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
      .select({ a: twinApart.a })
      .from(twinApart)
      .where(and(eq(twinApart.a, a), eq(twinApart.b, b)));
    if (rows.length) apart.add(other);
  }
  return apart;
}

/** Replaces the pictures a page offers. */
export async function keepCandidates(tx: Tx, id: string, addresses: readonly string[]): Promise<void> {
  await tx.delete(pictureCandidate).where(eq(pictureCandidate.resource, id));
  if (addresses.length)
    await tx
      .insert(pictureCandidate)
      .values(addresses.slice(0, 8).map((address, no) => ({ resource: id, no, address })));
}

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
