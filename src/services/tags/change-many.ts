import { and, inArray } from "drizzle-orm";
import { LONGEST_TAG, tagKey, tagName } from "@/core/tags/tag-name";
import { turned } from "@/core/undo/change";
import { touchCollectionsOf } from "@/data/queries/resources";
import { tagsByKey } from "@/data/queries/tags";
import { resourceTag } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { resourcesOf } from "../all-of-team";
import { Id, Ids, MaybeTexts } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { putTags, tagged } from "./add-tags";

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
  allow: can.bring("team"),
  run: async ({ input, tx, tell, did }) => {
    const add = (input.add ?? []).map(tagName).filter((name) => name !== null);
    const remove = (input.remove ?? []).map(tagKey).filter(Boolean);
    if (!add.length && !remove.length) throw fieldProblem("add", "Give a tag.");
    const ids = (await resourcesOf(tx, input.resources, input.team)).map((row) => row.id);
    const added = await putTags(tx, input.team, new Map(ids.map((id) => [id, add])));
    const gone = [...(await tagsByKey(tx, input.team, remove)).values()];
    const off =
      gone.length && ids.length
        ? and(inArray(resourceTag.resource, ids), inArray(resourceTag.tag, gone))
        : null;
    const removed = off
      ? await tx.select({ resource: resourceTag.resource, tag: resourceTag.tag }).from(resourceTag).where(off)
      : [];
    if (off) await tx.delete(resourceTag).where(off);
    await touchCollectionsOf(tx, ids, now());
    for (const id of ids) tell({ subject: id });
    const what = add.length ? `tag ${ids.length === 1 ? "an item" : `${ids.length} items`}` : "take off tags";
    const deed = did(what, [...added.map(tagged), ...turned(removed.map(tagged))], "bring");
    return { changed: ids.length, added: added.length, removed: removed.length, deed };
  },
});
