import { and, eq, inArray, isNull } from "drizzle-orm";
import { betterFields } from "@/core/intake/better-fields";
import { findText } from "@/data/queries/contents";
import { hangingOn } from "@/data/queries/twins";
import { lockResource, type ResourceRow, touchCollectionsOf } from "@/data/queries/resources";
import { placement, resource, resourceTag, resourceText, trayEntry, twinMerge } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { mustBeOfTeam } from "../same-team";

class MergeTwins {
  /** The one that stays. */
  @Id() resource: string;
  @Id() gone: string;
}

export const mergeTwins = action({
  name: "twins.merge",
  about:
    "Makes one of two: every placement, tag and note goes to the one that stays, and the better fields. Can be undone.",
  input: MergeTwins,
  allow: can.arrange("resource"),
  run: async ({ input, scope, tx, tell }) => {
    await mustBeOfTeam(tx, "resource", input.gone, scope.team);
    if (input.gone === input.resource) throw new Problem("not-valid", "These are one already.");
    // In one order everywhere, so that two merges do not wait for each other.
    const rows = new Map<string, ResourceRow>();
    for (const id of [input.resource, input.gone].sort()) rows.set(id, (await lockResource(tx, id))!);
    const [kept, gone] = [rows.get(input.resource)!, rows.get(input.gone)!];
    const at = now();
    const [here, there] = [await hangingOn(tx, kept.id), await hangingOn(tx, gone.id)];
    const change = betterFields(kept, gone);
    const fields = Object.fromEntries(
      Object.keys(change).map((key) => [key, kept[key as keyof ResourceRow]]),
    );

    const placements = there.placements.map((one) => one.id);
    if (placements.length)
      await tx
        .update(placement)
        .set({ resource: kept.id, updatedAt: at })
        .where(inArray(placement.id, placements));
    const tagged = new Set(here.tags.map((one) => one.tag));
    const tags = there.tags
      .filter((one) => !tagged.has(one.tag))
      .map((one) => ({ ...one, id: newId(), resource: kept.id }));
    if (tags.length) await tx.insert(resourceTag).values(tags);
    const waits = new Set(here.tray.map((one) => one.person));
    const tray = there.tray.filter((one) => !waits.has(one.person)).map((one) => one.id);
    if (tray.length) await tx.update(trayEntry).set({ resource: kept.id }).where(inArray(trayEntry.id, tray));
    const text = await findText(tx, gone.id);
    if (text && !(await findText(tx, kept.id)))
      await tx.insert(resourceText).values({ ...text, resource: kept.id });
    await tx
      .update(resource)
      .set({ ...change, twinOf: null, updatedAt: at })
      .where(eq(resource.id, kept.id));
    await tx.update(resource).set({ deletedAt: at, twinOf: null }).where(eq(resource.id, gone.id));
    await tx
      .update(resource)
      .set({ twinOf: kept.id < gone.id ? kept.id : null })
      .where(and(eq(resource.team, kept.team), eq(resource.twinOf, gone.id), isNull(resource.deletedAt)));
    const id = newId();
    await tx.insert(twinMerge).values({
      id,
      team: kept.team,
      kept: kept.id,
      gone: gone.id,
      before: { fields, placements, tags: tags.map((one) => one.id), tray },
      person: scope.person!,
      createdAt: at,
    });
    await touchCollectionsOf(tx, [kept.id], at);
    tell({ subject: kept.id, verb: "resources.merged", data: { title: kept.title, gone: gone.id } });
    return { merge: id, resource: kept.id };
  },
});
