import { groupsOf } from "@/data/queries/groups";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadGroups {
  @Id() team: string;
}

export const readGroups = reading({
  name: "groups.read",
  about: "The groups of a team, with how many are in each and how much was handed out to them.",
  input: ReadGroups,
  allow: can.publish("team"),
  run: async ({ input, tx }) => ({ groups: await groupsOf(tx, input.team) }),
});
