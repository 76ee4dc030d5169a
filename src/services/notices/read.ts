import { noticesOf } from "@/data/queries/notices";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

/** So many are shown; who has more unread begins at the newest. */
const MOST = 100;
/** So many that were looked at stand behind them. */
const MOST_SEEN = 20;

export const readNotices = reading({
  name: "notices.read",
  about:
    "What is addressed to oneself in all teams: where one is named and what was answered to one, not looked at first and then some of the others, newest first.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => {
    const [fresh, all] = await Promise.all([
      noticesOf(tx, scope.person!, { unseen: true }, MOST),
      noticesOf(tx, scope.person!, "all", MOST_SEEN),
    ]);
    return { notices: [...fresh, ...all.filter((one) => one.seenAt !== null)] };
  },
});
