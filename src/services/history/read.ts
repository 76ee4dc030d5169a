import { newestEntries } from "@/data/queries/history";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadHistory {
  @Id() team: string;
}

export const readHistory = reading({
  name: "history.read",
  about: "What one did last in a team and can take back, and what one has taken back.",
  input: ReadHistory,
  allow: can.seeHere("team"),
  run: async ({ input, scope, tx }) => ({ entries: await newestEntries(tx, scope.person!, input.team, 100) }),
});
