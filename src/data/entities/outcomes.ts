import { and, eq, inArray, sql } from "drizzle-orm";
import type { Degree } from "@/core/outcomes/coverage";
import { collectionsTelling } from "../queries/outcomes";
import { outcome, serves } from "../schema";
import { inParts } from "../sql/by-keys";
import { binned, ofTeam } from "./binned";
import { type Entity, halves } from "./entity";

export const outcomes = binned(outcome, ["parent", "code", "title"], {
  ...ofTeam,
  seenIn: (tx, changes) =>
    collectionsTelling(
      tx,
      "outcome",
      changes.map(({ id }) => id),
    ),
  verbs: {
    added: "outcomes.add",
    removed: "outcomes.remove",
    restored: "outcomes.add",
    changed: () => "outcomes.edit",
  },
});

/** `outcome~placement`: whether and how much an item serves an outcome. */
export const servings: Entity<typeof serves.$inferInsert> = {
  ...ofTeam,
  seenIn: (tx, changes) =>
    collectionsTelling(
      tx,
      "placement",
      changes.map(({ id }) => halves(id)[1]),
    ),
  idOf: ({ outcome: one, placement }) => `${one}~${placement}`,
  present: ({ degree }) => ({ on: true, degree }),
  absent: { on: false, degree: null },
  subjectOf: (id) => halves(id)[1],
  read: async (tx, ids) => {
    const rows = await tx
      .select()
      .from(serves)
      .where(
        inArray(
          serves.placement,
          ids.map((id) => halves(id)[1]),
        ),
      )
      .for("update");
    const found = new Map(rows.map((row) => [`${row.outcome}~${row.placement}`, row.degree]));
    return new Map(ids.map((id) => [id, { on: found.has(id), degree: found.get(id) ?? null }]));
  },
  insert: (tx, rows) =>
    inParts(
      rows,
      (part) =>
        tx
          .insert(serves)
          .values(part)
          .onDuplicateKeyUpdate({ set: { degree: sql`VALUES(degree)` } }),
      500,
    ),
  write: async (tx, ids, fields, { at }) => {
    for (const id of ids) {
      const [one, placement] = halves(id);
      if (fields?.degree)
        await servings.insert(tx, [
          { outcome: one, placement, degree: fields.degree as Degree, createdAt: at },
        ]);
      else await tx.delete(serves).where(and(eq(serves.outcome, one), eq(serves.placement, placement)));
    }
  },
  verbs: {
    added: "outcomes.serve",
    removed: "outcomes.serve",
    restored: "outcomes.serve",
    changed: () => "outcomes.serve",
  },
};
