import { DIMENSIONS, type Dimension } from "@/core/measure/mix";
import { resourcesBy } from "@/data/queries/mix";
import { reading } from "@/mechanism/action";
import { Id, MaybeId, MaybeText, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { looksAt } from "./looks-at";

/** So many are shown. */
const MOST = 200;

class ReadItemsOfMix {
  @Id() team: string;
  @MaybeId() collection?: string;
  @OneOf(DIMENSIONS) by: Dimension;
  /** The site, author, kind, language or year; empty: what nobody knows it of. */
  @MaybeText(300) value?: string;
}

export const readItemsOfMix = reading({
  name: "mix.items",
  about: "What is of one site, author, kind, language or year, of a collection or of the whole catalogue.",
  input: ReadItemsOfMix,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const of = await looksAt(tx, scope.team!, input.collection);
    return { items: await resourcesBy(tx, of, input.by, input.value ?? "", MOST) };
  },
});
