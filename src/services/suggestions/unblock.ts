import { unblock } from "@/data/queries/suggestions";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class Unblock {
  @Id() team: string;
  /** The team from which nothing was taken. */
  @Id() other: string;
}

export const unblockTeam = action({
  name: "suggestions.unblock",
  about: "Takes again what a team gives back.",
  input: Unblock,
  allow: can.publish("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, other }, tx }) => {
    await unblock(tx, team, other);
    return { other };
  },
});
