import { and, eq, inArray } from "drizzle-orm";
import { LONGEST_TAG, tagKey, tagName } from "@/core/tags/tag-name";
import { type Change, turned } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { dueResources } from "@/data/queries/due";
import { touchCollectionsOf } from "@/data/queries/resources";
import { collectionLinksOf, findTags, linksOf, tagsByKey } from "@/data/queries/tags";
import { collectionTag, resourceTag, tag } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, Ids, Name } from "../input";
import { can } from "../policy";
import { fieldProblem, Problem } from "../problem";
import { tagged } from "./add-tags";

class RenameTag {
  @Id() tag: string;
  @Name("a name", LONGEST_TAG) name: string;
}

export const renameTag = action({
  name: "tags.rename",
  about: "Gives a tag another name, wherever it is used.",
  input: RenameTag,
  allow: can.arrange("tag"),
  run: async ({ input, scope, tx, tell, did }) => {
    const name = tagName(input.name);
    if (!name) throw fieldProblem("name", "Give a name.");
    const [row] = await findTags(tx, scope.team!, [input.tag]);
    const key = tagKey(name);
    const there = (await tagsByKey(tx, scope.team!, [key])).get(key);
    if (there && there !== input.tag)
      throw fieldProblem("name", `There is a tag “${name}” already. Merge the two instead.`);
    await tx.update(tag).set({ name, key }).where(eq(tag.id, input.tag));
    const ids = (await linksOf(tx, scope.team!, [input.tag])).map((link) => link.resource);
    await spread(tx, ids);
    tell({ subject: input.tag, verb: "tags.edit", data: { before: row!.name, after: name } });
    const deed = did(`rename the tag ${row!.name}`, [
      {
        thing: "tag",
        id: input.tag,
        before: { name: row!.name, key: row!.key },
        after: { name, key },
      },
    ]);
    return { tag: { id: input.tag, name }, used: ids.length, deed };
  },
});

class MergeTags {
  @Id() tag: string;
  /** The tags that become this one. */
  @Ids(100) others: string[];
}

export const mergeTags = action({
  name: "tags.merge",
  about: "Makes several tags one: whatever carries one of the others carries this one instead.",
  input: MergeTags,
  allow: can.arrange("tag"),
  run: async ({ input, scope, tx, tell, did }) => {
    const team = scope.team!;
    const others = (await findTags(tx, team, input.others)).filter((row) => row.id !== input.tag);
    if (others.length < new Set(input.others.filter((id) => id !== input.tag)).size)
      throw new Problem("not-found", "One of these tags is not there any more.");
    const changes = await takeTags(tx, team, others, input.tag);
    tell({ subject: input.tag, verb: "tags.edit", data: { merged: others.map((row) => row.name) } });
    const deed = did(`merge ${others.map((row) => row.name).join(", ")}`, changes);
    return { merged: others.length, deed };
  },
});

class DeleteTags {
  @Id() team: string;
  @Ids(100) tags: string[];
}

export const deleteTags = action({
  name: "tags.delete",
  about: "Takes tags off everything and out of the team.",
  input: DeleteTags,
  allow: can.arrange("team"),
  run: async ({ input, tx, tell, did }) => {
    const rows = await findTags(tx, input.team, input.tags);
    const changes = await takeTags(tx, input.team, rows, null);
    for (const row of rows) tell({ subject: row.id, verb: "tags.edit", data: { deleted: row.name } });
    const deed = did(
      rows.length === 1 ? `delete the tag ${rows[0]!.name}` : `delete ${rows.length} tags`,
      changes,
    );
    return { deleted: rows.length, deed };
  },
});

type Row = { id: string; name: string; key: string };

/**
 * Takes tags out of the team; what carried one of them carries `into` instead, if that is given.
 * @returns what changed, in the order in which it was done
 */
async function takeTags(tx: Tx, team: string, rows: readonly Row[], into: string | null): Promise<Change[]> {
  const ids = rows.map((row) => row.id);
  if (!ids.length) return [];
  const links = await linksOf(tx, team, ids);
  const about = await collectionLinksOf(tx, team, ids);
  const changes: Change[] = [
    ...turned(links.map(tagged)),
    ...turned(about.map(({ collection, tag }) => subject(collection, tag))),
  ];
  await tx.delete(resourceTag).where(and(eq(resourceTag.team, team), inArray(resourceTag.tag, ids)));
  await tx.delete(collectionTag).where(and(eq(collectionTag.team, team), inArray(collectionTag.tag, ids)));
  await tx.delete(tag).where(and(eq(tag.team, team), inArray(tag.id, ids)));
  changes.push(
    ...rows.map(({ id, name, key }): Change => ({ thing: "tag", id, before: { name, key }, after: null })),
  );
  if (into) {
    const at = now();
    const had = new Set((await linksOf(tx, team, [into])).map((link) => link.resource));
    const fresh = [...new Set(links.map((link) => link.resource))].filter((id) => !had.has(id));
    for (let i = 0; i < fresh.length; i += 500)
      await tx
        .insert(resourceTag)
        .values(
          fresh
            .slice(i, i + 500)
            .map((resource) => ({ id: newId(), resource, tag: into, team, createdAt: at })),
        );
    const hadAbout = new Set((await collectionLinksOf(tx, team, [into])).map((link) => link.collection));
    const freshAbout = [...new Set(about.map((link) => link.collection))].filter((id) => !hadAbout.has(id));
    if (freshAbout.length)
      await tx
        .insert(collectionTag)
        .values(freshAbout.map((collection) => ({ collection, tag: into, team, createdAt: at })));
    changes.push(
      ...fresh.map((resource) => tagged({ resource, tag: into })),
      ...freshAbout.map((collection) => subject(collection, into)),
    );
  }
  await spread(
    tx,
    links.map((link) => link.resource),
  );
  return changes;
}

/** The change that a tag put on a collection is. */
export const subject = (collection: string, of: string): Change => ({
  thing: "about",
  id: `${collection}~${of}`,
  before: { on: false },
  after: { on: true },
});

/** Whatever shows or finds these resources by their tags learns of it. */
async function spread(tx: Tx, ids: readonly string[]): Promise<void> {
  for (let i = 0; i < ids.length; i += 1000) await touchCollectionsOf(tx, ids.slice(i, i + 1000), now());
  await dueResources(tx, ids);
}
