import { trayEntriesOf } from "@/data/queries/tray";
import { action } from "@/mechanism/action";
import { Id, Ids, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

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
  locks: ({ input }) => ({ alive: input.resources }),
  history: ({ changes }) => `put ${changes.length} away`,
  run: async ({ input, scope, tx, change }) => {
    const mine = await trayEntriesOf(tx, scope.person!, input.resources);
    const here = mine.filter((one) => one.team === input.team);
    await change("trayEntry", here, { state: input.state });
    return { changed: here.length };
  },
});
