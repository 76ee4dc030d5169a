import { LONGEST_TAG, tagKey, tagName } from "@/core/tags/tag-name";
import { linksOfResources, tagsByKey } from "@/data/queries/tags";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeTexts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { mustReachResources } from "@/mechanism/sight";
import { putTags } from "./put";

class ChangeTags {
  @Id() team: string;
  @Ids() resources: string[];
  @MaybeTexts(50, LONGEST_TAG) add?: string[];
  @MaybeTexts(50, LONGEST_TAG) remove?: string[];
}

export const changeTags = action({
  name: "tags.change",
  about: "Puts tags on several resources, takes others off.",
  input: ChangeTags,
  allow: can.bringHere("team"),
  locks: ({ input }) => ({ resources: input.resources }),
  history: ({ input: { add, resources } }) =>
    add?.length ? `tag ${resources.length === 1 ? "an item" : `${resources.length} items`}` : "take off tags",
  run: async ({ input, scope, tx, locked, set, remove }) => {
    const names = (input.add ?? []).map(tagName).filter((name) => name !== null);
    const off = (input.remove ?? []).map(tagKey).filter(Boolean);
    if (!names.length && !off.length) throw fieldProblem("add", "tag-missing");
    const ids = locked.resourcesOf(input.resources, input.team).map((row) => row.id);
    await mustReachResources(tx, scope, ids, "bring");
    const added = await putTags(tx, set, input.team, new Map(ids.map((id) => [id, names])));
    const gone = new Set((await tagsByKey(tx, input.team, off)).values());
    const links = gone.size ? await linksOfResources(tx, ids) : [];
    const removed = links.filter((link) => gone.has(link.tag));
    await remove("resourceTag", removed);
    return { changed: ids.length, added: added.length, removed: removed.length };
  },
});
