import { inArray } from "drizzle-orm";
import { everyOwn, reindexOwn } from "../search/own-words";
import { reindexResources } from "../search/reindex-queue";
import { mark } from "../schema";
import { inParts } from "../sql/by-keys";
import type { Entity } from "./entity";

type Row = typeof mark.$inferInsert;

/** What of a mark is changed and taken back. Where it stands is found again from its words, and told apart. */
const NAMES = ["note", "meaning", "resource", "version", "private", "fragment"] as const;

/** Marks of the team are `resource~mark`; those of one person alone `person~resource~mark`, and only they hear of them. */
function marks(idOf: (row: Pick<Row, "id" | "resource" | "person">) => string): Entity<Row> {
  const parts = (id: string) => id.split("~").reverse() as [mark: string, resource: string, person?: string];
  const own = (id: string) => parts(id)[0];
  return {
    idOf,
    knows: (name) => name === "gone" || (NAMES as readonly string[]).includes(name),
    present: () => ({ gone: false }),
    absent: { gone: true },
    fieldsOf: (row) => ({ note: row.note, quote: row.quote, meaning: row.meaning ?? null }),
    subjectOf: (id) => parts(id)[1],
    read: async (tx, ids) => {
      const rows = await tx
        .select()
        .from(mark)
        .where(inArray(mark.id, ids.map(own)))
        .for("update");
      const found = new Map(rows.map((row) => [row.id, row]));
      return new Map(
        ids.flatMap((id) => {
          const row = found.get(own(id));
          if (!row) return [];
          return [
            [
              id,
              { ...Object.fromEntries(NAMES.map((name) => [name, row[name]])), gone: row.deletedAt !== null },
            ],
          ];
        }),
      );
    },
    insert: (tx, rows) => inParts(rows, (part) => tx.insert(mark).values(part), 500),
    write: async (tx, ids, fields, { at }) => {
      if (!fields) throw new Error("What can lie in the bin is never taken away at once.");
      const { gone, ...named } = fields;
      const change = {
        ...named,
        ...(gone !== undefined && { deletedAt: gone ? at : null }),
        updatedAt: at,
      };
      await inParts(ids.map(own), (part) => tx.update(mark).set(change).where(inArray(mark.id, part)), 500);
      // A merge moved it: both have other words now.
      if (typeof named.resource === "string")
        await reindexResources(tx, [named.resource, ...ids.map((id) => parts(id)[1])]);
    },
    // Readers see no marks.
    seenIn: async () => [],
    heardIn: async () => () => [null],
    verbs: {
      added: "marks.add",
      removed: "marks.remove",
      restored: "marks.add",
      changed: () => "marks.edit",
    },
  };
}

export const teamMarks = marks(({ id, resource }) => `${resource}~${id}`);
const own = marks(({ id, resource, person }) => `${person}~${resource}~${id}`);
export const ownMarks: Entity<Row> = {
  ...own,
  onlyFor: (id) => id.split("~")[0]!,
  insert: async (tx, rows) => {
    await own.insert(tx, rows);
    await reindexOwn(tx, rows);
  },
  write: async (tx, ids, fields, stamp) => {
    await own.write(tx, ids, fields, stamp);
    const parts = ids.map((id) => id.split("~") as [person: string, resource: string, mark: string]);
    const before = parts.map(([person, resource]) => ({ person, resource }));
    // Moved by a merge it is found with the other one.
    const now = await everyOwn(
      tx,
      parts.map(([, , id]) => id),
    );
    const all = new Map([...before, ...now].map((one) => [`${one.person}~${one.resource}`, one]));
    await reindexOwn(tx, [...all.values()]);
  },
};
