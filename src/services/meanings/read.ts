import { meaningsOf } from "@/data/queries/marks";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadMeanings {
  @Id() team: string;
}

export const readMeanings = reading({
  name: "meanings.read",
  about: "What a team means by its marks.",
  input: ReadMeanings,
  allow: can.seeHere("team"),
  run: async ({ input, tx }) => ({
    meanings: (await meaningsOf(tx, input.team))
      .filter((one) => !one.removedAt)
      .map(({ id, name, pattern, tint }) => ({ id, name, pattern, tint })),
  }),
});
