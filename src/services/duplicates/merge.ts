import { betterFields } from "@/core/imports/better-fields";
import { hangingOn, takenFor } from "@/data/queries/duplicates";
import { everyMarkOf } from "@/data/queries/marks";
import { ownAppraisalsOf } from "@/data/queries/weighing";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { entityOfMark } from "../marks/entity-of-mark";
import { placeJob } from "../marks/place";

class MergeDuplicates {
  /** The one that stays. */
  @Id() resource: string;
  @Id() gone: string;
}

export const mergeDuplicates = action({
  name: "duplicates.merge",
  about:
    "Makes one of two: every placement, tag, note and mark goes to the one that stays, and the better fields. The other one goes into the bin.",
  input: MergeDuplicates,
  allow: can.arrange("resource"),
  locks: ({ input }) => ({ resources: [input.resource, input.gone] }),
  history: "make one of two",
  run: async ({ input, scope, tx, locked, at, add, change, remove, emit, enqueue }) => {
    if (input.gone === input.resource) throw new Problem("duplicate-of-itself");
    locked.mustBeOfTeam("resource", input.gone, scope.team);
    const [kept, gone] = [locked.resource(input.resource), locked.resource(input.gone)];
    const [here, there] = [await hangingOn(tx, kept.id), await hangingOn(tx, gone.id)];
    // The merge is told once, for all of it.
    const untold = { untold: true };
    await change("placement", there.placements, { resource: kept.id }, untold);
    const tagged = new Set(here.tags.map((one) => one.tag));
    const fresh = there.tags.filter((one) => !tagged.has(one.tag));
    await add(
      "resourceTag",
      fresh.map((one) => ({ ...one, id: newId(), resource: kept.id, createdAt: at })),
      untold,
    );
    const waits = new Set(here.tray.map((one) => one.person));
    const waiting = there.tray.filter((one) => !waits.has(one.person));
    await add(
      "trayEntry",
      waiting.map((one) => ({ ...one, id: newId(), resource: kept.id })),
      untold,
    );
    if (there.hasText && !here.hasText) await add("copiedText", { resource: kept.id, from: gone.id }, untold);
    // What was marked in the text of one is looked for in that of the other.
    const marks = await everyMarkOf(tx, gone.id);
    for (const type of ["mark", "ownMark"] as const)
      await change(
        type,
        marks.filter((one) => entityOfMark(one) === type),
        { resource: kept.id, version: null },
        untold,
      );
    const [judged, judgedToo] = [await ownAppraisalsOf(tx, kept.id), await ownAppraisalsOf(tx, gone.id)];
    await change(
      "appraisal",
      judgedToo.filter(
        (one) => !judged.some((its) => its.person === one.person && its.criteria === one.criteria),
      ),
      { resource: kept.id },
      untold,
    );
    if (marks.length) enqueue(placeJob(kept.id, kept.team, at));
    await change("resource", kept, { ...betterFields(kept, gone), duplicateOf: null }, untold);
    // What was taken for the one that goes is taken for the one that stays, if that is older.
    const others = (await takenFor(tx, kept.team, gone.id)).filter((one) => one.id !== kept.id);
    await change("resource", others, ({ id }) => ({ duplicateOf: kept.id < id ? kept.id : null }), untold);
    await change("resource", gone, { duplicateOf: null }, untold);
    await remove("resource", gone, untold);
    emit({ subject: kept.id, verb: "resources.merged", data: { title: kept.title, gone: gone.id } });
    return { resource: kept.id };
  },
});
