import { LONGEST_TAG, tagKey, tagName } from "@/core/tags/tag-name";
import { findTags, linksOf, tagsByKey } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class RenameTag {
  @Id() tag: string;
  @Name("a name", LONGEST_TAG) name: string;
}

export const renameTag = action({
  name: "tags.rename",
  about: "Gives a tag another name, wherever it is used.",
  input: RenameTag,
  allow: can.arrange("tag"),
  locks: () => ({ team: true }),
  history: ({ changes }) => `rename the tag ${String(changes[0]?.before?.name ?? "")}`,
  run: async ({ input, scope, tx, change }) => {
    const name = tagName(input.name);
    if (!name) throw fieldProblem("name", "name-missing");
    const [row] = await findTags(tx, scope.team!, [input.tag]);
    const key = tagKey(name);
    const there = (await tagsByKey(tx, scope.team!, [key])).get(key);
    if (there && there !== input.tag)
      throw fieldProblem(
        "name",
        "tag-name-taken",
        `There is a tag “${name}” already. Merge the two instead.`,
      );
    await change("tag", row!, { name, key });
    const used = (await linksOf(tx, scope.team!, [input.tag])).map((link) => link.resource);
    return { tag: { id: input.tag, name }, used: used.length };
  },
});
