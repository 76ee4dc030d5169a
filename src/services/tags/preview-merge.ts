import { countTagged, findTags } from "@/data/queries/tags";
import { reading } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class PreviewMerge {
  @Id() tag: string;
  @Ids(100) others: string[];
}

export const previewMerge = reading({
  name: "tags.preview-merge",
  about: "How many things would carry a tag after others were merged into it.",
  input: PreviewMerge,
  allow: can.see("tag"),
  run: async ({ input, scope, tx }) => {
    const rows = await findTags(tx, scope.team!, [input.tag, ...input.others]);
    const ids = rows.map((row) => row.id);
    return {
      after: await countTagged(tx, scope.team!, ids),
      before: await countTagged(tx, scope.team!, [input.tag]),
    };
  },
});
