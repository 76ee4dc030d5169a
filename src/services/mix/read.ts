import { DIMENSIONS, mixOf } from "@/core/measure/mix";
import { countedBy } from "@/data/queries/mix";
import { reading } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { looksAt } from "./looks-at";

class ReadMix {
  @Id() team: string;
  /** With everything inside; left out: the whole catalogue. */
  @MaybeId() collection?: string;
}

export const readMix = reading({
  name: "mix.read",
  about:
    "From which sites, by whom, of which kinds, in which languages and from which years the sources of a collection are, or those of the whole catalogue, and how mixed each is.",
  input: ReadMix,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const of = await looksAt(tx, scope.team!, input.collection);
    const mixes = [];
    for (const by of DIMENSIONS) {
      const counted = await countedBy(tx, of, by);
      mixes.push({ by, ...mixOf(counted, by) });
    }
    return { mixes };
  },
});
