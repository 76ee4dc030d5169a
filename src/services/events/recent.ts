import { recentEvents } from "@/data/queries/events";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadRecent {
  @Id() team: string;
}

export const readRecent = reading({
  name: "events.recent",
  about: "What happened in a team lately, newest first.",
  input: ReadRecent,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => ({
    events: await recentEvents(tx, input.team, scope.person!, null, 60),
  }),
});
