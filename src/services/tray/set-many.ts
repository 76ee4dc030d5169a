import { TRAY_STATES, type TrayState } from "@/core/tray/states";
import { trayEntriesOf } from "@/data/queries/tray";
import { action } from "@/mechanism/action";
import { Id, Ids, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { SAID } from "./said";
import { UsedFor, usedFor } from "./used-for";

class SetTrayMany extends UsedFor {
  @Id() team: string;
  @Ids() resources: string[];
  @OneOf(TRAY_STATES) state: TrayState;
}

export const setTrayMany = action({
  name: "tray.set-many",
  about: "Puts several things of one's own Tray away, keeps them for a use, or lets them wait there.",
  input: SetTrayMany,
  allow: can.see("team"),
  locks: ({ input }) => ({ alive: input.resources }),
  history: ({ input, changes }) =>
    SAID[input.state](changes.length === 1 ? "something" : `${changes.length}`),
  run: async ({ input, scope, tx, change }) => {
    const mine = await trayEntriesOf(tx, scope.person!, input.resources);
    const here = mine.filter((one) => one.team === input.team);
    const { state } = input;
    await change("trayEntry", here, { state, ...(await usedFor(tx, input.team, state, input)) });
    return { changed: here.length };
  },
});
