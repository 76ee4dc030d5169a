import { findTags } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { takeTags } from "./take-tags";

class DeleteTags {
  @Id() team: string;
  @Ids(100) tags: string[];
}

export const deleteTags = action({
  name: "tags.delete",
  about: "Takes tags off everything and out of the team.",
  input: DeleteTags,
  allow: can.arrange("team"),
  locks: () => ({ team: true }),
  history: ({ changes }) => {
    const tags = changes.filter((change) => change.type === "tag");
    return tags.length === 1
      ? `delete the tag ${String(tags[0]!.before?.name)}`
      : `delete ${tags.length} tags`;
  },
  run: async ({ input, tx, set }) => {
    const rows = await findTags(tx, input.team, input.tags);
    await takeTags(tx, set, input.team, rows, null, ({ name }) => ({ deleted: name }));
    return { deleted: rows.length };
  },
});
