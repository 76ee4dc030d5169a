import { newestDeeds } from "@/data/queries/deeds";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadDeeds {
  @Id() team: string;
}

export const readDeeds = reading({
  name: "deeds.read",
  about: "What one did last in a team and can take back, and what one has taken back.",
  input: ReadDeeds,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => ({ deeds: await newestDeeds(tx, scope.person!, input.team, 100) }),
});
