import { and, eq, inArray } from "drizzle-orm";
import { trayEntry } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, Ids, OneOf } from "../input";
import { can } from "../policy";

const STATES = ["waiting", "away"] as const;

class SetTrayMany {
  @Id() team: string;
  @Ids() resources: string[];
  @OneOf(STATES) state: (typeof STATES)[number];
}

export const setTrayMany = action({
  name: "tray.set-many",
  about: "Puts several things of one's own Tray away, or lets them wait there.",
  input: SetTrayMany,
  allow: can.see("team"),
  run: async ({ input, scope, tx, tell, did }) => {
    const mine = and(
      eq(trayEntry.person, scope.person!),
      eq(trayEntry.team, input.team),
      inArray(trayEntry.resource, input.resources),
    );
    const before = input.resources.length
      ? await tx.select({ resource: trayEntry.resource, state: trayEntry.state }).from(trayEntry).where(mine)
      : [];
    if (before.length) await tx.update(trayEntry).set({ state: input.state, updatedAt: now() }).where(mine);
    for (const row of before) tell({ subject: row.resource, verb: "tray.set" });
    const deed = did(
      `put ${before.length} away`,
      before.map((row) => ({
        thing: "tray",
        id: `${scope.person!}~${row.resource}`,
        before: { state: row.state },
        after: { state: input.state },
      })),
      "see",
    );
    return { changed: before.length, deed };
  },
});
