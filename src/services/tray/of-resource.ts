import { trayEntryOf } from "@/data/queries/tray";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadEntry {
  @Id() resource: string;
}

export const readTrayEntry = reading({
  name: "tray.of-resource",
  about: "Whether something is in one's own Tray, and what it is still to be used for.",
  input: ReadEntry,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => ({ entry: await trayEntryOf(tx, scope.person!, input.resource) }),
});
