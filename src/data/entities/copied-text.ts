import { eq, inArray } from "drizzle-orm";
import type { Tx } from "../database";
import { collectionsHolding } from "../queries/resources";
import { resourceText } from "../schema";
import { type Entity, halves } from "./entity";

const textOf = async (tx: Tx, resource: string) =>
  (await tx.select().from(resourceText).where(eq(resourceText.resource, resource)))[0];

/**
 * `resource~from`: whether a resource has the text of another one, as after the two were made one. Taken back, it has
 * none; a text that has come there since is left alone, because then it is not that one's any more.
 */
export const copiedTexts: Entity<{ resource: string; from: string }> = {
  idOf: ({ resource, from }) => `${resource}~${from}`,
  present: () => ({ on: true }),
  absent: { on: false },
  subjectOf: (id) => halves(id)[0],
  read: async (tx, ids) => {
    const found = new Map<string, { on: boolean }>();
    for (const id of ids) {
      const [resource, from] = halves(id);
      const [here, there] = [await textOf(tx, resource), await textOf(tx, from)];
      if (there) found.set(id, { on: here?.html === there.html && here.text === there.text });
    }
    return found;
  },
  insert: async (tx, rows) => {
    for (const { resource, from } of rows) {
      const [here, there] = [await textOf(tx, resource), await textOf(tx, from)];
      if (there && !here) await tx.insert(resourceText).values({ ...there, resource });
    }
  },
  write: async (tx, ids, fields) => {
    const pairs = ids.map(halves);
    if (fields?.on)
      await copiedTexts.insert(
        tx,
        pairs.map(([resource, from]) => ({ resource, from })),
      );
    else
      await tx.delete(resourceText).where(
        inArray(
          resourceText.resource,
          pairs.map(([resource]) => resource),
        ),
      );
  },
  seenIn: (tx, changes) =>
    collectionsHolding(
      tx,
      changes.map(({ id }) => halves(id)[0]),
    ),
  heardIn: async () => () => [null],
  verbs: {
    added: "resources.edit",
    removed: "resources.edit",
    restored: "resources.edit",
    changed: () => "resources.edit",
  },
};
