import { and, desc, eq, inArray, isNull, lt, ne } from "drizzle-orm";
import type { TextQuote } from "@/core/imports/quotation";
import type { Tx } from "../database";
import { isLost } from "@/core/health/when";
import {
  collection,
  linkWatch,
  placement,
  resource,
  resourceTag,
  resourceText,
  section,
  tag,
} from "../schema";
import { inParts } from "../sql/by-keys";

export type ResourceRow = typeof resource.$inferSelect;

/** What lists show of a resource. */
export const cardColumns = {
  id: resource.id,
  kind: resource.kind,
  address: resource.address,
  host: resource.host,
  title: resource.title,
  description: resource.description,
  siteName: resource.siteName,
  licence: resource.licence,
  authors: resource.authors,
  published: resource.published,
  minutes: resource.minutes,
  pages: resource.pages,
  picture: resource.pictureHash,
  player: resource.player,
  file: resource.fileName,
  duplicateOf: resource.duplicateOf,
  fetchState: resource.fetchState,
  fetchProblem: resource.fetchProblem,
  usedAt: resource.usedAt,
  createdAt: resource.createdAt,
};
export type CardRow = Pick<ResourceRow, Exclude<keyof typeof cardColumns, "picture" | "file">> & {
  picture: string | null;
  /** The name of the file it is. */
  file: string | null;
};
export type Card = CardRow & { tags: string[] };

/** A resource, in the bin or not; null when there is none. */
export async function findResource(tx: Tx, id: string): Promise<ResourceRow | null> {
  return (await tx.select().from(resource).where(eq(resource.id, id)))[0] ?? null;
}

/** The same, locked until the transaction ends. */
export async function lockResource(tx: Tx, id: string): Promise<ResourceRow | null> {
  return (await tx.select().from(resource).where(eq(resource.id, id)).for("update"))[0] ?? null;
}

/**
 * Resources of a team by the hash of their address, as given or as the page names itself; deleted ones too. Of several
 * the one whose own address it is counts, and then the oldest.
 */
export async function resourcesByHash(
  tx: Tx,
  team: string,
  hashes: readonly string[],
): Promise<Map<string, ResourceRow>> {
  const found = new Map<string, ResourceRow>();
  // Two looks by two indexes; one with OR would use neither.
  for (const column of [resource.canonicalHash, resource.addressHash])
    await inParts(
      hashes,
      async (part) => {
        const rows = await tx
          .select()
          .from(resource)
          .where(and(eq(resource.team, team), inArray(column, part)))
          .orderBy(desc(resource.id));
        for (const row of rows)
          found.set((column === resource.addressHash ? row.addressHash : row.canonicalHash)!, row);
      },
      1000,
    );
  return found;
}

/** The same for a single one. */
export const findByAddress = async (tx: Tx, team: string, hash: string): Promise<ResourceRow | null> =>
  (await resourcesByHash(tx, team, [hash])).get(hash) ?? null;

/** Adds the names of their tags to rows that have an id. */
export async function withTags<T extends { id: string }>(
  tx: Tx,
  rows: T[],
): Promise<(T & { tags: string[] })[]> {
  const names = await tagsOf(tx, [...new Set(rows.map((row) => row.id))]);
  return rows.map((row) => ({ ...row, tags: names.get(row.id) ?? [] }));
}

/** Names of tags by resource. */
export async function tagsOf(tx: Tx, ids: readonly string[]): Promise<Map<string, string[]>> {
  const names = new Map<string, string[]>();
  for (let i = 0; i < ids.length; i += 1000) {
    const rows = await tx
      .select({ resource: resourceTag.resource, name: tag.name })
      .from(resourceTag)
      .innerJoin(tag, eq(tag.id, resourceTag.tag))
      .where(inArray(resourceTag.resource, ids.slice(i, i + 1000)))
      .orderBy(resourceTag.id);
    for (const row of rows) {
      const list = names.get(row.resource);
      if (list) list.push(row.name);
      else names.set(row.resource, [row.name]);
    }
  }
  return names;
}

/** Newest of the catalogue first; `before` is the last id of the page before. */
export async function newestResources(
  tx: Tx,
  team: string,
  before: string | null,
  most: number,
): Promise<CardRow[]> {
  return tx
    .select(cardColumns)
    .from(resource)
    .where(
      and(eq(resource.team, team), isNull(resource.deletedAt), before ? lt(resource.id, before) : undefined),
    )
    .orderBy(desc(resource.id))
    .limit(most);
}

/** These resources as lists show them, as far as the team has them; in no order. */
export async function cardsById(tx: Tx, team: string, ids: readonly string[]): Promise<CardRow[]> {
  if (!ids.length) return [];
  return tx
    .select(cardColumns)
    .from(resource)
    .where(and(eq(resource.team, team), inArray(resource.id, [...ids]), isNull(resource.deletedAt)));
}

/** A resource as lists show it, as it is now. */
export async function cardOf(tx: Tx, { id, team }: { id: string; team: string }): Promise<Card> {
  return (await withTags(tx, await cardsById(tx, team, [id])))[0]!;
}

/** Where a resource stands. */
export async function placesOf(tx: Tx, id: string) {
  return tx
    .select({
      placement: placement.id,
      collection: collection.id,
      title: collection.title,
      heading: placement.heading,
      context: placement.context,
      section: section.title,
    })
    .from(placement)
    .innerJoin(collection, eq(collection.id, placement.collection))
    .leftJoin(section, eq(section.id, placement.section))
    .where(and(eq(placement.resource, id), isNull(placement.deletedAt), isNull(collection.deletedAt)))
    .orderBy(placement.id);
}

/** The collections these resources stand in, each once. */
export async function collectionsHolding(tx: Tx, ids: readonly string[]): Promise<string[]> {
  const homes = new Set<string>();
  await inParts(
    [...ids],
    async (part) => {
      const rows = await tx
        .selectDistinct({ id: placement.collection })
        .from(placement)
        .where(and(inArray(placement.resource, part), isNull(placement.deletedAt)));
      for (const row of rows) homes.add(row.id);
    },
    1000,
  );
  return [...homes];
}

/** Notes when somebody of the team last opened a resource. */
export async function noteUse(tx: Tx, id: string, usedAt: Date): Promise<void> {
  await tx.update(resource).set({ usedAt }).where(eq(resource.id, id));
}

/** How many of these resources carry notes of the team. */
export async function countWithNotes(tx: Tx, ids: readonly string[]): Promise<number> {
  let count = 0;
  await inParts(
    ids,
    async (part) => {
      const rows = await tx
        .select({ id: resource.id })
        .from(resource)
        .where(and(inArray(resource.id, part), ne(resource.notes, "")));
      count += rows.length;
    },
    500,
  );
  return count;
}

/** What readers are given of a thing besides its card. `captions`: their hash. */
export type Besides = {
  language: string | null;
  quotation: TextQuote | null;
  captions: string | null;
  hasCopy: boolean;
  /** Its page was found to be there no more (core/health). */
  lost: boolean;
};

/** The language of resources, of quotations their words, and whether a reading copy is kept. */
export async function besidesOf(tx: Tx, ids: readonly string[]) {
  const found = new Map<string, Besides>();
  await inParts(
    ids,
    async (part) => {
      for (const { id, copy, watch, ...more } of await tx
        .select({
          id: resource.id,
          language: resource.language,
          quotation: resource.quotation,
          captions: resource.captionsHash,
          copy: resourceText.resource,
          watch: { state: linkWatch.state, times: linkWatch.times, settled: linkWatch.settled },
        })
        .from(resource)
        .leftJoin(resourceText, eq(resourceText.resource, resource.id))
        .leftJoin(linkWatch, eq(linkWatch.resource, resource.id))
        .where(inArray(resource.id, part)))
        found.set(id, { ...more, hasCopy: copy !== null, lost: watch !== null && isLost(watch) });
    },
    500,
  );
  return found;
}

/** The address of a resource; empty where it has none. */
export async function resourceAddressOf(tx: Tx, id: string): Promise<string> {
  const rows = await tx.select({ address: resource.address }).from(resource).where(eq(resource.id, id));
  return rows[0]?.address ?? "";
}
