import { LONGEST_TAG, tagChanges, tagKey, tagName } from "@/core/tags/tag-name";
import { tagsByKey, tagsOfCollection } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { makeTags } from "../tags/put";

class TagCollection {
  @Id() collection: string;
  /** All the tags it is to have. */
  @Texts(50, LONGEST_TAG) tags: string[];
}

export const tagCollection = action({
  name: "collections.tag",
  about: "Says what a collection as a whole is about.",
  input: TagCollection,
  allow: can.arrangeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "tag a collection",
  run: async ({ input, scope, tx, at, set, add, remove }) => {
    const { collection } = input;
    const team = scope.team!;
    const before = await tagsOfCollection(tx, collection);
    const wanted = tagChanges(
      before.map((one) => one.name),
      input.tags.map(tagName).filter((name) => name !== null),
    );
    const ids = await makeTags(tx, set, team, wanted.add);
    const fresh = [...new Set(wanted.add.map(tagKey))].map((key) => ids.get(key)!);
    const gone = [...(await tagsByKey(tx, team, wanted.remove.map(tagKey))).values()];
    const link = (tag: string) => ({ collection, tag, team, createdAt: at });
    await add("collectionTag", fresh.map(link));
    await remove("collectionTag", gone.map(link));
    return { tags: (await tagsOfCollection(tx, collection)).map((one) => one.name) };
  },
});
