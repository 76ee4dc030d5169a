import { becomes } from "@/core/policy/leaving";
import { countAsGuest, teamsOfLeaver } from "@/data/queries/leaving";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const whatBecomes = reading({
  name: "people.what-becomes",
  about:
    "What becomes of one's teams if one deletes one's account: goes, where nobody else is in it; stays; or needs an owner first.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({
    teams: (await teamsOfLeaver(tx, scope.person!)).map((team) => ({
      ...{ id: team.id, name: team.name, own: Number(team.own) > 0, members: Number(team.members) },
      ...{ collections: Number(team.collections), things: Number(team.things) },
      becomes: becomes({ role: team.role, members: Number(team.members), owners: Number(team.owners) }),
    })),
    guestOf: await countAsGuest(tx, scope.person!),
  }),
});
