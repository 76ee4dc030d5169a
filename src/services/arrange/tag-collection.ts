import { and, eq, inArray } from "drizzle-orm";
import { LONGEST_TAG, tagChanges, tagKey, tagName } from "@/core/tags/tag-name";
import { turned } from "@/core/undo/change";
import { tagsByKey, tagsOfCollection } from "@/data/queries/tags";
import { collectionTag } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, Texts } from "../input";
import { can } from "../policy";
import { makeTags } from "../tags/add-tags";
import { subject } from "../tags/tend-tags";

class TagCollection {
  @Id() collection: string;
  /** All the tags it is to have. */
  @Texts(50, LONGEST_TAG) tags: string[];
}

export const tagCollection = action({
  name: "collections.tag",
  about: "Says what a collection as a whole is about.",
  input: TagCollection,
  allow: can.arrange("collection"),
  run: async ({ input, scope, tx, tell, did }) => {
    const team = scope.team!;
    const names = input.tags.map(tagName).filter((name) => name !== null);
    const before = await tagsOfCollection(tx, input.collection);
    const { add, remove } = tagChanges(
      before.map((one) => one.name),
      names,
    );
    const ids = await makeTags(tx, team, add);
    const fresh = [...new Set(add.map(tagKey))].map((key) => ids.get(key)!);
    if (fresh.length)
      await tx
        .insert(collectionTag)
        .values(fresh.map((tag) => ({ collection: input.collection, tag, team, createdAt: now() })))
        .onDuplicateKeyUpdate({ set: { team } });
    const gone = [...(await tagsByKey(tx, team, remove.map(tagKey))).values()];
    if (gone.length)
      await tx
        .delete(collectionTag)
        .where(and(eq(collectionTag.collection, input.collection), inArray(collectionTag.tag, gone)));
    tell({ subject: input.collection, collection: input.collection, verb: "collections.edit" });
    const deed = did("tag a collection", [
      ...fresh.map((tag) => subject(input.collection, tag)),
      ...turned(gone.map((tag) => subject(input.collection, tag))),
    ]);
    return { tags: (await tagsOfCollection(tx, input.collection)).map((one) => one.name), deed };
  },
});
