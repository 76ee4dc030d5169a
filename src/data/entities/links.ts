import { and, eq, inArray, sql } from "drizzle-orm";
import { collectionsHolding } from "../queries/resources";
import { collectionTag, resourceTag, trayEntry } from "../schema";
import { inParts } from "../sql/by-keys";
import { type Entity, halves } from "./entity";

const firsts = (ids: readonly string[]) => [...new Set(ids.map((id) => halves(id)[0]))];
const seconds = (ids: readonly string[]) => [...new Set(ids.map((id) => halves(id)[1]))];

/** For each id whether the link is among these. */
function onAmong(ids: readonly string[], found: readonly string[]): Map<string, { on: boolean }> {
  const there = new Set(found);
  return new Map(ids.map((id) => [id, { on: there.has(id) }]));
}

/** `resource~tag`: whether the tag is on the resource. */
export const resourceTags: Entity<typeof resourceTag.$inferInsert> = {
  idOf: ({ resource, tag }) => `${resource}~${tag}`,
  present: () => ({ on: true }),
  absent: { on: false },
  subjectOf: (id) => halves(id)[0],
  read: async (tx, ids) => {
    const rows = await tx
      .select({ resource: resourceTag.resource, tag: resourceTag.tag })
      .from(resourceTag)
      .where(inArray(resourceTag.resource, firsts(ids)));
    return onAmong(
      ids,
      rows.map(({ resource, tag }) => `${resource}~${tag}`),
    );
  },
  insert: (tx, rows) =>
    inParts(
      rows,
      (part) =>
        tx
          .insert(resourceTag)
          .values(part)
          .onDuplicateKeyUpdate({ set: { team: part[0]!.team } }),
      500,
    ),
  write: async (tx, ids, fields, { team, at, newId }) => {
    if (fields?.on) {
      const rows = ids.map((id) => ({ id: newId(), resource: halves(id)[0], tag: halves(id)[1] }));
      await resourceTags.insert(
        tx,
        rows.map((row) => ({ ...row, team, createdAt: at })),
      );
    } else
      await eachFirst(ids, (resource, tags) =>
        tx.delete(resourceTag).where(and(eq(resourceTag.resource, resource), inArray(resourceTag.tag, tags))),
      );
  },
  seenIn: (tx, changes) => collectionsHolding(tx, firsts(changes.map(({ id }) => id))),
  heardIn: async () => () => [null],
  verbs: { added: "tags.add", removed: "tags.remove", restored: "tags.add", changed: () => "tags.change" },
};

/** `collection~tag`: whether the collection as a whole is about the tag. */
export const collectionTags: Entity<typeof collectionTag.$inferInsert> = {
  idOf: ({ collection, tag }) => `${collection}~${tag}`,
  present: () => ({ on: true }),
  absent: { on: false },
  subjectOf: (id) => halves(id)[0],
  read: async (tx, ids) => {
    const rows = await tx
      .select({ collection: collectionTag.collection, tag: collectionTag.tag })
      .from(collectionTag)
      .where(inArray(collectionTag.collection, firsts(ids)));
    return onAmong(
      ids,
      rows.map(({ collection, tag }) => `${collection}~${tag}`),
    );
  },
  insert: (tx, rows) =>
    inParts(
      rows,
      (part) =>
        tx
          .insert(collectionTag)
          .values(part)
          .onDuplicateKeyUpdate({ set: { team: part[0]!.team } }),
      500,
    ),
  write: async (tx, ids, fields, { team, at }) => {
    if (fields?.on)
      await collectionTags.insert(
        tx,
        ids.map((id) => ({ collection: halves(id)[0], tag: halves(id)[1], team, createdAt: at })),
      );
    else
      await eachFirst(ids, (collection, tags) =>
        tx
          .delete(collectionTag)
          .where(and(eq(collectionTag.collection, collection), inArray(collectionTag.tag, tags))),
      );
  },
  seenIn: async (_, changes) => firsts(changes.map(({ id }) => id)),
  heardIn: async () => (change) => [halves(change.id)[0]],
  verbs: {
    added: "collections.edit",
    removed: "collections.edit",
    restored: "collections.edit",
    changed: () => "collections.edit",
  },
};

const USED_FOR = { forWords: "", forCollection: null, forSection: null };

/** `person~resource`: the state of the resource in the person's Tray, and what it is still to be used for. */
export const trayEntries: Entity<typeof trayEntry.$inferInsert> = {
  idOf: ({ person, resource }) => `${person}~${resource}`,
  present: ({ state, forWords = "", forCollection = null, forSection = null }) => ({
    ...{ state, forWords, forCollection, forSection },
  }),
  absent: null,
  subjectOf: (id) => halves(id)[1],
  onlyFor: (id) => halves(id)[0],
  read: async (tx, ids) => {
    const rows = await tx
      .select()
      .from(trayEntry)
      .where(and(inArray(trayEntry.person, firsts(ids)), inArray(trayEntry.resource, seconds(ids))));
    return new Map(
      rows.map(({ person, resource, state, forWords, forCollection, forSection }) => [
        `${person}~${resource}`,
        { state, forWords, forCollection, forSection },
      ]),
    );
  },
  insert: (tx, rows) =>
    inParts(
      rows,
      (part) =>
        tx
          .insert(trayEntry)
          .values(part)
          .onDuplicateKeyUpdate({
            set: {
              state: sql`VALUES(state)`,
              forWords: sql`VALUES(for_words)`,
              forCollection: sql`VALUES(for_collection)`,
              forSection: sql`VALUES(for_section)`,
              updatedAt: sql`VALUES(updated_at)`,
            },
          }),
      500,
    ),
  write: async (tx, ids, fields, { team, at, newId }) => {
    const those = (person: string, of: string[]) =>
      and(eq(trayEntry.person, person), inArray(trayEntry.resource, of));
    if (!fields) return eachFirst(ids, (person, of) => tx.delete(trayEntry).where(those(person, of)));
    const known = new Set([...(await trayEntries.read(tx, ids)).keys()]);
    const fresh = ids.filter((id) => !known.has(id));
    // What came back by undo has all its fields; entries of before these were counted have a state alone.
    await trayEntries.insert(
      tx,
      fresh.map((id) => {
        const [person, resource] = halves(id);
        const made = { id: newId(), person, team, resource, createdAt: at, updatedAt: at };
        return { ...made, state: "waiting", ...USED_FOR, ...fields } as typeof trayEntry.$inferInsert;
      }),
    );
    await eachFirst(
      ids.filter((id) => known.has(id)),
      (person, of) =>
        tx
          .update(trayEntry)
          .set({ ...fields, updatedAt: at })
          .where(those(person, of)),
    );
  },
  // Nobody but its person sees a Tray.
  seenIn: async () => [],
  heardIn: async () => () => [null],
  verbs: { added: "tray.set", removed: "tray.set", restored: "tray.set", changed: () => "tray.set" },
};

/** Does something for the links of each first id, with their second ids. */
async function eachFirst(
  ids: readonly string[],
  work: (first: string, seconds: string[]) => PromiseLike<unknown>,
): Promise<void> {
  for (const first of firsts(ids))
    await work(
      first,
      ids.filter((id) => halves(id)[0] === first).map((id) => halves(id)[1]),
    );
}
