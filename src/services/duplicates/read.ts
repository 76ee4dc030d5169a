import { duplicatesOf } from "@/data/queries/duplicates";
import { reading } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadDuplicates {
  @Id() team: string;
  @MaybeId() before?: string;
}

export const readDuplicates = reading({
  name: "duplicates.read",
  about: "Pairs of resources that seem to be the same thing, the newest first, 50 at a time.",
  input: ReadDuplicates,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const pairs = await duplicatesOf(tx, input.team, input.before ?? null, 51);
    return { pairs: pairs.slice(0, 50), next: pairs.length > 50 ? pairs[49]!.newer.id : null };
  },
});
