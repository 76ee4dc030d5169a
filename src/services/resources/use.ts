import { noteUse } from "@/data/queries/resources";
import { trayEntriesOf } from "@/data/queries/tray";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class UseResource {
  @Id() resource: string;
}

export const useResource = action({
  name: "resources.use",
  about:
    "Notes that somebody has opened a resource; it says when, not who. What waited in one's own Tray is looked at then.",
  input: UseResource,
  allow: can.seeHere("resource"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, change }) => {
    await noteUse(tx, input.resource, at);
    // What waited in one's Tray is looked at; finished with it is not.
    const [entry] = await trayEntriesOf(tx, scope.person!, [input.resource]);
    if (entry?.state === "waiting") await change("trayEntry", entry, { state: "looked" }, { forGood: true });
    return { usedAt: at };
  },
});
