import { and, asc, eq, inArray, isNotNull, isNull, or, sql, type SQL } from "drizzle-orm";
import type { Look } from "@/core/list/view-setting";
import type { Tx } from "../database";
import { alias } from "drizzle-orm/mysql-core";
import { person, placement, resource, resourceText, section } from "../schema";
import { inParts } from "../sql/by-keys";
import { minutesHere } from "../sql/minutes-here";
import { type Card, cardColumns, withTags } from "./resources";

export type Item = {
  id: string;
  section: string | null;
  position: string;
  heading: string;
  context: string;
  look: Look;
  /** Whether those see it who are not of the team. */
  forReaders: boolean;
  /** Whether they are given the reading copy beside the original. */
  givesCopy: boolean;
  addedAt: Date;
  /** From which second to which it is meant here. */
  clipFrom: number | null;
  clipTo: number | null;
  /** Who is asked to see to it, and until which day. */
  askedOf: string | null;
  askedName: string | null;
  askedUntil: string | null;
  /** From where it was taken with credit; null: it was placed here. */
  credit: string | null;
  /** Which public collection is shown here as it stands there. */
  shownLive: string | null;
  /** Its minutes are those that are meant here. */
  resource: Card;
};

const asked = alias(person, "asked");
const columns = {
  item: {
    id: placement.id,
    section: placement.section,
    position: placement.position,
    heading: placement.heading,
    context: placement.context,
    look: placement.look,
    forReaders: placement.forReaders,
    givesCopy: placement.givesCopy,
    addedAt: placement.createdAt,
    clipFrom: placement.clipFrom,
    clipTo: placement.clipTo,
    askedOf: placement.askedOf,
    askedName: asked.name,
    askedUntil: placement.askedUntil,
    credit: placement.credit,
    shownLive: placement.shownLive,
  },
  // What is null stays so: nobody knows how long it is.
  resource: { ...cardColumns, minutes: minutesHere.mapWith(Number) },
};

export type PlacementRow = typeof placement.$inferSelect;

/** Where the page before ended: order key of its section (empty before the first), order key, id. */
export type ItemCursor = { section: string; position: string; id: string };

/** Items of a collection in order, `most` at a time. */
export async function itemsOf(
  tx: Tx,
  collection: string,
  after: ItemCursor | null,
  most: number,
): Promise<{ items: Item[]; next: ItemCursor | null }> {
  const sectionKey = sql<string>`coalesce(${section.position}, '')`;
  const past: SQL | undefined = after
    ? sql`(${sectionKey} > ${after.section} or (${sectionKey} = ${after.section} and (${placement.position} > ${after.position} or (${placement.position} = ${after.position} and ${placement.id} > ${after.id}))))`
    : undefined;
  const rows = await tx
    .select({ ...columns, sectionKey })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .leftJoin(section, eq(section.id, placement.section))
    .leftJoin(asked, eq(asked.id, placement.askedOf))
    .where(
      and(
        eq(placement.collection, collection),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
        past,
      ),
    )
    .orderBy(sectionKey, asc(placement.position), asc(placement.id))
    .limit(most + 1);
  const page = rows.slice(0, most);
  const last = page.at(-1);
  return {
    items: await assemble(tx, page),
    next:
      rows.length > most && last
        ? { section: last.sectionKey, position: last.item.position, id: last.item.id }
        : null,
  };
}

/** Items by id or by resource, for those of a collection that changed. */
export async function itemsById(
  tx: Tx,
  collection: string,
  ids: readonly string[],
  resources: readonly string[],
): Promise<Item[]> {
  if (!ids.length && !resources.length) return [];
  const rows = await tx
    .select(columns)
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .leftJoin(asked, eq(asked.id, placement.askedOf))
    .where(
      and(
        eq(placement.collection, collection),
        isNull(placement.deletedAt),
        isNull(resource.deletedAt),
        or(
          ids.length ? inArray(placement.id, [...ids]) : undefined,
          resources.length ? inArray(placement.resource, [...resources]) : undefined,
        ),
      ),
    );
  return assemble(tx, rows);
}

type Row = { item: Omit<Item, "resource">; resource: Omit<Card, "tags"> };

async function assemble(tx: Tx, rows: Row[]): Promise<Item[]> {
  const cards = await withTags(
    tx,
    rows.map((row) => row.resource),
  );
  return rows.map((row, i) => ({ ...row.item, resource: cards[i]! }));
}

/** An item in its place, in the bin or not; null when there is none. */
export async function findPlacement(tx: Tx, id: string) {
  return (await tx.select().from(placement).where(eq(placement.id, id)))[0] ?? null;
}

/** The section an item of a collection stands in: null before the first; undefined when the item is not there. */
export async function sectionOfItem(
  tx: Tx,
  id: string,
  collectionId: string,
): Promise<string | null | undefined> {
  const [row] = await tx
    .select({ section: placement.section })
    .from(placement)
    .where(and(eq(placement.id, id), eq(placement.collection, collectionId), isNull(placement.deletedAt)));
  return row && row.section;
}

/** What stands in a section. @param deletedAt null: what is there; else what went into the bin at that very moment */
export async function placementsInSection(tx: Tx, sectionId: string, deletedAt: Date | null = null) {
  return tx
    .select()
    .from(placement)
    .where(
      and(
        eq(placement.section, sectionId),
        deletedAt ? eq(placement.deletedAt, deletedAt) : isNull(placement.deletedAt),
      ),
    );
}

/** Everything that stands in a collection, in no order. */
export async function placementsIn(tx: Tx, collectionId: string) {
  return tx
    .select()
    .from(placement)
    .where(and(eq(placement.collection, collectionId), isNull(placement.deletedAt)))
    .orderBy(asc(placement.id));
}

/** Where a resource stands in a collection, if it does. */
export async function placementOf(tx: Tx, resourceId: string, collectionId: string) {
  const [row] = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(
      and(
        eq(placement.resource, resourceId),
        eq(placement.collection, collectionId),
        isNull(placement.deletedAt),
      ),
    );
  return row ?? null;
}

/** What a list of references needs of the resources at these placements. */
export async function worksByPlacement(tx: Tx, ids: readonly string[]) {
  const columns = {
    placement: placement.id,
    resource: resource.id,
    itemType: resource.itemType,
    language: resource.language,
    details: resource.details,
    /** When the copy was made; null: there is none. */
    copiedAt: resourceText.at,
  };
  if (!ids.length) return [];
  return tx
    .select(columns)
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .leftJoin(resourceText, eq(resourceText.resource, placement.resource))
    .where(inArray(placement.id, [...ids]));
}

/** The reading copies of the resources that stand in these places. */
export const copiesByPlacement = (tx: Tx, ids: readonly string[]) =>
  tx
    .select({
      placement: placement.id,
      resource: placement.resource,
      language: resource.language,
      html: resourceText.html,
      at: resourceText.at,
    })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .innerJoin(resourceText, eq(resourceText.resource, placement.resource))
    .where(inArray(placement.id, [...ids]));

/** The addresses on one site that items of these collections lead to, as far as readers see them. */
export async function addressesOn(tx: Tx, collections: readonly string[], host: string): Promise<string[]> {
  if (!collections.length) return [];
  const rows = await tx
    .selectDistinct({ address: resource.address })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(
      and(
        inArray(placement.collection, [...collections]),
        isNull(placement.deletedAt),
        eq(placement.forReaders, true),
        isNull(resource.deletedAt),
        eq(resource.host, host),
      ),
    )
    .orderBy(resource.address);
  return rows.map((row) => row.address);
}

/** The public collections of others that these show live to readers, each once. */
export async function shownLiveIn(tx: Tx, collections: readonly string[]): Promise<string[]> {
  if (!collections.length) return [];
  const rows = await tx
    .selectDistinct({ id: placement.shownLive })
    .from(placement)
    .innerJoin(resource, eq(resource.id, placement.resource))
    .where(
      and(
        inArray(placement.collection, [...collections]),
        isNotNull(placement.shownLive),
        isNull(placement.deletedAt),
        eq(placement.forReaders, true),
        isNull(resource.deletedAt),
      ),
    )
    .orderBy(placement.shownLive);
  return rows.flatMap((row) => row.id ?? []);
}

/** The resource an item is of; null when there is no such item. */
export async function resourceOfPlacement(tx: Tx, id: string): Promise<string | null> {
  const rows = await tx.select({ resource: placement.resource }).from(placement).where(eq(placement.id, id));
  return rows[0]?.resource ?? null;
}

/** The context lines of these items and where they lead, by their ids. */
export async function standingNow(tx: Tx, ids: readonly string[]) {
  const found = new Map<string, { context: string; address: string }>();
  await inParts(ids, async (part) => {
    const rows = await tx
      .select({ id: placement.id, context: placement.context, address: resource.address })
      .from(placement)
      .innerJoin(resource, eq(resource.id, placement.resource))
      .where(and(inArray(placement.id, [...part]), isNull(placement.deletedAt)));
    for (const { id, ...row } of rows) found.set(id, row);
  });
  return found;
}
