import { inArray } from "drizzle-orm";
import { homesOfComments } from "../queries/comments";
import { comment } from "../schema";
import { inParts } from "../sql/by-keys";
import type { Entity } from "./entity";

/** A comment as it is added: with the collection in which it is heard. */
type Row = typeof comment.$inferInsert & { home: string };

/** What of a comment is changed and taken back. */
const NAMES = ["words", "settledAt", "settledBy"] as const;

export const comments: Entity<Row> = {
  idOf: (row) => row.id,
  knows: (name) => name === "gone" || (NAMES as readonly string[]).includes(name),
  present: () => ({ gone: false }),
  absent: { gone: true },
  // Its words stand in its row, and not once more in what is told of it.
  fieldsOf: ({ collection, section, placement, thread }) => ({
    ...{ on: placement ?? section ?? collection },
    ...(thread && { thread }),
  }),
  placeOf: ({ home }) => ({ collection: home }),
  subjectOf: (id) => id,
  read: async (tx, ids) => {
    const rows = await tx
      .select()
      .from(comment)
      .where(inArray(comment.id, [...ids]))
      .for("update");
    return new Map(
      rows.map((row) => [
        row.id,
        { ...Object.fromEntries(NAMES.map((name) => [name, row[name]])), gone: row.deletedAt !== null },
      ]),
    );
  },
  insert: (tx, rows) =>
    inParts(
      rows.map(({ home: _, ...row }) => row),
      (part) => tx.insert(comment).values(part),
      500,
    ),
  write: async (tx, ids, fields, { at }) => {
    if (!fields) throw new Error("What can lie in the bin is never taken away at once.");
    const { gone, settledAt, ...named } = fields;
    const change = {
      ...named,
      // Changes are stored as JSON, where a time is text.
      ...(settledAt !== undefined && {
        settledAt: settledAt === null ? null : new Date(settledAt as string),
      }),
      ...(gone !== undefined && { deletedAt: gone ? at : null }),
      ...(named.words !== undefined && { editedAt: at }),
    };
    await inParts(ids, (part) => tx.update(comment).set(change).where(inArray(comment.id, part)), 500);
  },
  // Readers do not hear what the team says among itself.
  seenIn: async () => [],
  heardIn: async (tx, changes) => {
    const homes = await homesOfComments(
      tx,
      changes.map(({ id }) => id),
    );
    return ({ id, after }) => [
      typeof after?.collection === "string" ? after.collection : (homes.get(id) ?? null),
    ];
  },
  verbs: {
    added: "comments.add",
    removed: "comments.remove",
    restored: "comments.add",
    changed: (names) => (names.includes("settledAt") ? "comments.settle" : "comments.edit"),
  },
};
