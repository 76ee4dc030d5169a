import { findTags } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { takeTags } from "./take-tags";

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
  locks: () => ({ team: true }),
  history: ({ changes }) =>
    `merge ${changes.flatMap(({ type, before }) => (type === "tag" ? String(before?.name) : [])).join(", ")}`,
  run: async ({ input, scope, tx, set, emit }) => {
    const team = scope.team!;
    const others = (await findTags(tx, team, input.others)).filter((row) => row.id !== input.tag);
    if (others.length < new Set(input.others.filter((id) => id !== input.tag)).size)
      throw new Problem("tag-gone");
    await takeTags(tx, set, team, others, input.tag, ({ name }) => ({ merged: name }));
    emit({ subject: input.tag, verb: "tags.edit", data: { merged: others.map((row) => row.name) } });
    return { merged: others.length };
  },
});
