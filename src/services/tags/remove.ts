import { LONGEST_TAG, tagKey } from "@/core/tags/tag-name";
import { tagsOf } from "@/data/queries/resources";
import { linksOfResources, tagsByKey } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveTag {
  @Id() resource: string;
  @Name("a tag", LONGEST_TAG) tag: string;
}

export const removeTag = action({
  name: "tags.remove",
  about: "Takes a tag off a resource.",
  input: RemoveTag,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: ({ input }) => `take off the tag ${input.tag}`,
  run: async ({ input, scope, tx, remove }) => {
    const [id] = (await tagsByKey(tx, scope.team!, [tagKey(input.tag)])).values();
    const links = await linksOfResources(tx, [input.resource]);
    await remove(
      "resourceTag",
      links.filter((link) => link.tag === id),
    );
    return { tags: (await tagsOf(tx, [input.resource])).get(input.resource) ?? [] };
  },
});
