import { askedOf, noticesOf } from "@/data/queries/noticed";
import { toJudgeOf } from "@/data/queries/rounds";
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
    "What is addressed to oneself in all teams, not looked at first and then some of the others, newest first: where one is named, what was answered to one, what was suggested, what was handed in; what one is asked to see to, or wished to check oneself, and has not; and the rounds in which one has something to judge.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => {
    const [fresh, all, asked, toJudge] = await Promise.all([
      noticesOf(tx, scope.person!, { unseen: true }, MOST),
      noticesOf(tx, scope.person!, "all", MOST_SEEN),
      askedOf(tx, scope.person!, MOST),
      toJudgeOf(tx, scope.person!, MOST_SEEN),
    ]);
    const notices = [...fresh, ...all.filter((one) => one.seenAt !== null)];
    // What one is asked stands there until it is done.
    return { notices: notices.filter((one) => one.kind !== "asked"), asked, toJudge };
  },
});
