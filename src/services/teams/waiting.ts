import { countDuplicates } from "@/data/queries/duplicates";
import { countHeld } from "@/data/queries/messages";
import { traySum } from "@/data/queries/tray";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadWaiting {
  @Id() team: string;
}

/** More than so many are not counted on the way; nobody reads the number then. */
const MOST = 100;

export const readWaiting = reading({
  name: "teams.waiting",
  about:
    "How much waits for oneself in each place of a team: in the Tray, of mail, of likely duplicates (at most 100).",
  input: ReadWaiting,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const [tray, held, duplicates] = await Promise.all([
      traySum(tx, scope.person!, input.team),
      countHeld(tx, scope.person!, input.team),
      countDuplicates(tx, input.team, MOST),
    ]);
    return { tray: tray.count, held, duplicates };
  },
});
