import { and, eq } from "drizzle-orm";
import { LONGEST_TAG, tagKey } from "@/core/tags/tag-name";
import { turned } from "@/core/undo/change";
import { tagsOf, touchCollectionsOf } from "@/data/queries/resources";
import { tagsByKey } from "@/data/queries/tags";
import { resourceTag } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, Name } from "../input";
import { can } from "../policy";
import { tagged } from "./add-tags";

class RemoveTag {
  @Id() resource: string;
  @Name("a tag", LONGEST_TAG) tag: string;
}

export const removeTag = action({
  name: "tags.remove",
  about: "Takes a tag off a resource.",
  input: RemoveTag,
  allow: can.bring("resource"),
  run: async ({ input, scope, tx, tell, did }) => {
    const id = [...(await tagsByKey(tx, scope.team!, [tagKey(input.tag)])).values()][0];
    if (id) {
      const [answer] = await tx
        .delete(resourceTag)
        .where(and(eq(resourceTag.resource, input.resource), eq(resourceTag.tag, id)));
      if (answer.affectedRows)
        did(
          `take off the tag ${input.tag}`,
          turned([tagged({ resource: input.resource, tag: id })]),
          "bring",
        );
      await touchCollectionsOf(tx, [input.resource], now());
      tell({ subject: input.resource, data: { tag: input.tag } });
    }
    return { tags: (await tagsOf(tx, [input.resource])).get(input.resource) ?? [] };
  },
});
