import { may } from "@/core/policy/abilities";
import { countDuplicates } from "@/data/queries/duplicates";
import { noticesOf } from "@/data/queries/noticed";
import { countFoundLinks } from "@/data/queries/links";
import { countHeld } from "@/data/queries/messages";
import { countSuggested } from "@/data/queries/suggestions";
import { countToJudge } from "@/data/queries/rounds";
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
    "How much waits for oneself in each place of a team: in the Tray, of mail, of likely duplicates (at most 100), of suggestions, of what one has to judge, of what was found of addresses (at most 100); and of what is addressed to oneself in any team.",
  input: ReadWaiting,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const [tray, held, duplicates, suggested, toJudge, links, addressed] = await Promise.all([
      traySum(tx, scope.person!, input.team),
      countHeld(tx, scope.person!, input.team),
      countDuplicates(tx, input.team, MOST),
      may(scope.role!, "arrange") ? countSuggested(tx, input.team) : 0,
      countToJudge(tx, input.team, scope.person!, MOST),
      may(scope.role!, "arrange") ? countFoundLinks(tx, input.team, MOST) : 0,
      noticesOf(tx, scope.person!, { unseen: true }, MOST),
    ]);
    return { tray: tray.count, held, duplicates, suggested, toJudge, links, addressed: addressed.length };
  },
});
