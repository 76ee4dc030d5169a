import { and, eq, inArray } from "drizzle-orm";
import type { Change, Fields, Thing } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import {
  collection,
  collectionTag,
  placement,
  resource,
  resourceTag,
  section,
  tag,
  trayEntry,
} from "@/data/schema";
import { newId } from "@/outside/random";
import { Problem } from "../problem";

/** How the fields of a thing are read and written, so that a deed can be taken back. */
type Way = {
  read: (tx: Tx, ids: readonly string[]) => Promise<Map<string, Fields>>;
  write: (tx: Tx, id: string, fields: Fields, stamp: { team: string; at: Date }) => Promise<void>;
};

/** Rows that go into the bin instead of away: `gone` stands for being there. */
function binned(
  table: typeof collection | typeof section | typeof placement | typeof resource,
  names: readonly string[],
): Way {
  return {
    read: async (tx, ids) => {
      const rows = (await tx
        .select()
        .from(table)
        .where(inArray(table.id, [...ids]))
        .for("update")) as ({
        id: string;
        deletedAt: Date | null;
      } & Record<string, unknown>)[];
      return new Map(
        rows.map((row) => [
          row.id,
          { ...Object.fromEntries(names.map((name) => [name, row[name]])), gone: row.deletedAt !== null },
        ]),
      );
    },
    write: async (tx, id, fields, { at }) => {
      if (!fields) throw new Problem("conflict");
      const { gone, ...rest } = fields;
      const change = { ...rest, ...(gone !== undefined && { deletedAt: gone ? at : null }) };
      if ("awayAt" in change && change.awayAt) change.awayAt = new Date(change.awayAt as string);
      await tx
        .update(table)
        .set({ ...change, ...(table !== section && { updatedAt: at }) } as never)
        .where(eq(table.id, id));
    },
  };
}

/** The two ids of a thing that is a link between two others. */
const halves = (id: string) => id.split("~") as [string, string];

export const WAYS: Record<Thing, Way> = {
  collection: binned(collection, [
    "title",
    "description",
    "rich",
    "parent",
    "position",
    "coverHash",
    "awayAt",
    "view",
  ]),
  section: binned(section, ["title", "intro", "position"]),
  placement: binned(placement, ["collection", "section", "position", "heading", "context", "look"]),
  resource: binned(resource, [
    "title",
    "description",
    "notes",
    "siteName",
    "published",
    "authors",
    "itemType",
    "details",
    "kind",
    "typed",
    "minutes",
  ]),

  /** `resource~tag`: whether the tag is on the resource. */
  tagging: {
    read: async (tx, ids) => {
      const rows = await tx
        .select({ resource: resourceTag.resource, tag: resourceTag.tag })
        .from(resourceTag)
        .where(inArray(resourceTag.resource, [...new Set(ids.map((id) => halves(id)[0]))]));
      const there = new Set(rows.map((row) => `${row.resource}~${row.tag}`));
      return new Map(ids.map((id) => [id, { on: there.has(id) }]));
    },
    write: async (tx, id, fields, { team, at }) => {
      const [on, of] = halves(id);
      if (fields?.on)
        await tx
          .insert(resourceTag)
          .values({ id: newId(), resource: on, tag: of, team, createdAt: at })
          .onDuplicateKeyUpdate({ set: { team } });
      else await tx.delete(resourceTag).where(and(eq(resourceTag.resource, on), eq(resourceTag.tag, of)));
    },
  },

  /** `collection~tag`: whether the collection is about the tag. */
  about: {
    read: async (tx, ids) => {
      const rows = await tx
        .select({ collection: collectionTag.collection, tag: collectionTag.tag })
        .from(collectionTag)
        .where(inArray(collectionTag.collection, [...new Set(ids.map((id) => halves(id)[0]))]));
      const there = new Set(rows.map((row) => `${row.collection}~${row.tag}`));
      return new Map(ids.map((id) => [id, { on: there.has(id) }]));
    },
    write: async (tx, id, fields, { team, at }) => {
      const [on, of] = halves(id);
      if (fields?.on)
        await tx
          .insert(collectionTag)
          .values({ collection: on, tag: of, team, createdAt: at })
          .onDuplicateKeyUpdate({ set: { team } });
      else
        await tx
          .delete(collectionTag)
          .where(and(eq(collectionTag.collection, on), eq(collectionTag.tag, of)));
    },
  },

  /** `person~resource`: the state in that person's Tray. */
  tray: {
    read: async (tx, ids) => {
      const pairs = ids.map(halves);
      const rows = await tx
        .select({ person: trayEntry.person, resource: trayEntry.resource, state: trayEntry.state })
        .from(trayEntry)
        .where(
          and(
            inArray(trayEntry.person, [...new Set(pairs.map(([who]) => who))]),
            inArray(trayEntry.resource, [...new Set(pairs.map(([, what]) => what))]),
          ),
        );
      return new Map(rows.map((row) => [`${row.person}~${row.resource}`, { state: row.state }]));
    },
    write: async (tx, id, fields, { team, at }) => {
      const [person, what] = halves(id);
      if (fields)
        await tx
          .insert(trayEntry)
          .values({
            id: newId(),
            person,
            team,
            resource: what,
            state: fields.state as "waiting",
            createdAt: at,
            updatedAt: at,
          })
          .onDuplicateKeyUpdate({ set: { state: fields.state as "waiting", updatedAt: at } });
      else await tx.delete(trayEntry).where(and(eq(trayEntry.person, person), eq(trayEntry.resource, what)));
    },
  },

  /** The tag itself; merging and deleting take its row away. */
  tag: {
    read: async (tx, ids) => {
      const rows = await tx
        .select()
        .from(tag)
        .where(inArray(tag.id, [...ids]))
        .for("update");
      return new Map(rows.map((row) => [row.id, { name: row.name, key: row.key }]));
    },
    write: async (tx, id, fields, { team, at }) => {
      if (!fields) await tx.delete(tag).where(eq(tag.id, id));
      else {
        const { name, key } = fields as { name: string; key: string };
        await tx
          .insert(tag)
          .values({ id, team, name, key, createdAt: at })
          .onDuplicateKeyUpdate({ set: { name, key } });
      }
    },
  },
};

/** The fields of everything these changes are about, as they are now. */
export async function currentOf(tx: Tx, changes: readonly Change[]) {
  const found = new Map<Thing, Map<string, Fields>>();
  for (const thing of new Set(changes.map((change) => change.thing))) {
    const ids = [
      ...new Set(changes.filter((change) => change.thing === thing).map((change) => change.id)),
    ].sort();
    const all = new Map<string, Fields>();
    for (let i = 0; i < ids.length; i += 500)
      for (const [id, fields] of await WAYS[thing].read(tx, ids.slice(i, i + 500))) all.set(id, fields);
    found.set(thing, all);
  }
  return (thing: Thing, id: string): Fields => found.get(thing)?.get(id) ?? null;
}
