import { teamsOf } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const readTeams = reading({
  name: "teams.read",
  about: "The teams one is in, the own one first.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({
    teams: (await teamsOf(tx, scope.person!)).map((one) => ({ ...one, own: Boolean(one.own) })),
  }),
});
