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
  allow: can.see("team"),
  run: async ({ input, tx }) => ({ tags: await tagUses(tx, input.team) }),
});
