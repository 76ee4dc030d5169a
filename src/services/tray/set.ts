import { TRAY_STATES, type TrayState } from "@/core/tray/states";
import { trayEntriesOf } from "@/data/queries/tray";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { SAID } from "./said";
import { UsedFor, usedFor } from "./used-for";

class SetTrayState extends UsedFor {
  @Id() resource: string;
  @OneOf(TRAY_STATES) state: TrayState;
}

export const setTrayState = action({
  name: "tray.set",
  about:
    "Says of something in one's own Tray that it was looked at, is still to be used (and for what), is put away, or waits.",
  input: SetTrayState,
  allow: can.see("resource"),
  locks: ({ input }) => ({ alive: [input.resource] }),
  history: ({ input }) => SAID[input.state]("something"),
  run: async ({ input, scope, tx, at, add, change }) => {
    const { resource, state } = input;
    const [before] = await trayEntriesOf(tx, scope.person!, [resource]);
    const mine = { person: scope.person!, team: scope.team!, resource };
    const fields = { state, ...(await usedFor(tx, scope.team!, state, input)) };
    if (before) await change("trayEntry", before, fields);
    else await add("trayEntry", { id: newId(), ...mine, ...fields, createdAt: at, updatedAt: at });
    return { resource, state };
  },
});
