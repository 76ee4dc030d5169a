import { betterFields } from "@/core/imports/better-fields";
import {
  addMerge,
  copyTextTo,
  hangingOn,
  hangOn,
  passDuplicatesOn,
  writeDuplicate,
} from "@/data/queries/duplicates";
import { collectionsHolding, type ResourceRow } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class MergeDuplicates {
  /** The one that stays. */
  @Id() resource: string;
  @Id() gone: string;
}

export const mergeDuplicates = action({
  name: "duplicates.merge",
  about:
    "Makes one of two: every placement, tag and note goes to the one that stays, and the better fields. Can be undone.",
  input: MergeDuplicates,
  allow: can.arrange("resource"),
  locks: ({ input }) => ({ resources: [input.resource, input.gone] }),
  // It is taken back by duplicates.undo-merge.
  history: null,
  run: async ({ input, scope, tx, locked, at, set, emit }) => {
    if (input.gone === input.resource) throw new Problem("duplicate-of-itself");
    locked.mustBeOfTeam("resource", input.gone, scope.team);
    const [kept, gone] = [locked.resource(input.resource), locked.resource(input.gone)];
    const [here, there] = [await hangingOn(tx, kept.id), await hangingOn(tx, gone.id)];
    const tagged = new Set(here.tags.map((one) => one.tag));
    const waits = new Set(here.tray.map((one) => one.person));
    const tags = there.tags
      .filter((one) => !tagged.has(one.tag))
      .map((one) => ({ ...one, id: newId(), resource: kept.id }));
    const tray = there.tray.filter((one) => !waits.has(one.person));
    const moved = await hangOn(tx, kept.id, { placements: there.placements, tray }, tags, at);
    await copyTextTo(tx, kept.id, gone.id);
    const better = betterFields(kept, gone);
    const fields = Object.fromEntries(
      Object.keys(better).map((key) => [key, kept[key as keyof ResourceRow]]),
    );
    await writeDuplicate(tx, kept.id, { ...better, duplicateOf: null, updatedAt: at });
    await writeDuplicate(tx, gone.id, { deletedAt: at, duplicateOf: null });
    await passDuplicatesOn(tx, { team: kept.team, kept: kept.id, gone: gone.id });
    const merge = newId();
    await addMerge(tx, {
      id: merge,
      team: kept.team,
      kept: kept.id,
      gone: gone.id,
      before: { fields, ...moved },
      person: scope.person!,
      createdAt: at,
    });
    await set.count(await collectionsHolding(tx, [kept.id]));
    emit({ subject: kept.id, verb: "resources.merged", data: { title: kept.title, gone: gone.id } });
    return { merge, resource: kept.id };
  },
});
