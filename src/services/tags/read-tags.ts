import { tagUses } from "@/data/queries/tags";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadTags {
  @Id() team: string;
}

export const readTags = reading({
  name: "tags.read",
  about: "The tags of a team with their use, the most used first.",
  input: ReadTags,
  allow: can.see("team"),
  run: async ({ input, tx }) => ({ tags: await tagUses(tx, input.team) }),
});
