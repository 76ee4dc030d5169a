import { trayEntriesOf } from "@/data/queries/tray";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";

const STATES = ["waiting", "away"] as const;

class SetTrayState {
  @Id() resource: string;
  @OneOf(STATES) state: (typeof STATES)[number];
}

export const setTrayState = action({
  name: "tray.set",
  about: "Puts something in one's own Tray away, or lets it wait there.",
  input: SetTrayState,
  allow: can.see("resource"),
  locks: ({ input }) => ({ alive: [input.resource] }),
  history: ({ input }) => (input.state === "away" ? "put something away" : "let something wait in the Tray"),
  run: async ({ input: { resource, state }, scope, tx, at, add, change }) => {
    const [before] = await trayEntriesOf(tx, scope.person!, [resource]);
    const mine = { person: scope.person!, team: scope.team!, resource };
    if (before) await change("trayEntry", before, { state });
    else await add("trayEntry", { id: newId(), ...mine, state, createdAt: at, updatedAt: at });
    return { resource, state };
  },
});
