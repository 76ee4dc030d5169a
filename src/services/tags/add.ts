import { LONGEST_TAG, tagName } from "@/core/tags/tag-name";
import { tagsOf } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { putTags } from "./put";

class AddTags {
  @Id() resource: string;
  @Texts(50, LONGEST_TAG) tags: string[];
}

export const addTags = action({
  name: "tags.add",
  about:
    "Tags a resource. Names may have several words; one that exists in another spelling of case or accents is taken.",
  input: AddTags,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: ({ input }) => (input.tags.length === 1 ? `tag with ${tagName(input.tags[0]!)}` : "tag"),
  run: async ({ input, scope, tx, set }) => {
    const names = input.tags.map(tagName).filter((name) => name !== null);
    if (!names.length) throw fieldProblem("tags", "tag-missing");
    await putTags(tx, set, scope.team!, new Map([[input.resource, names]]));
    return { tags: (await tagsOf(tx, [input.resource])).get(input.resource) ?? [] };
  },
});
