import { tagsSeen } from "@/data/queries/tags";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { tagUses } from "./uses";

class ReadTags {
  @Id() team: string;
}

export const readTags = reading({
  name: "tags.read",
  about: "The tags of a team with their use, the most used first.",
  input: ReadTags,
  allow: can.seeHere("team"),
  run: async ({ input, scope, tx }) => ({
    tags: scope.sight ? await tagsSeen(tx, [...scope.sight.keys()]) : await tagUses(tx, input.team),
  }),
});
