import { twinsOf } from "@/data/queries/duplicates";
import { reading } from "../mechanism/action";
import { Id, MaybeId } from "../mechanism/input";
import { can } from "../mechanism/policy";

class ReadTwins {
  @Id() team: string;
  @MaybeId() before?: string;
}

export const readTwins = reading({
  name: "duplicates.read",
  about: "Pairs of resources that seem to be the same thing, the newest first, 50 at a time.",
  input: ReadTwins,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const pairs = await twinsOf(tx, input.team, input.before ?? null, 51);
    return { pairs: pairs.slice(0, 50), next: pairs.length > 50 ? pairs[49]!.newer.id : null };
  },
});
