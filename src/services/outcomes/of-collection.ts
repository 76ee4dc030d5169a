import { servedIn } from "@/data/queries/outcomes";
import { servedWhere } from "@/core/outcomes/served";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadServedHere {
  @Id() collection: string;
}

export const readServedHere = reading({
  name: "outcomes.of-collection",
  about: "Which outcomes a collection serves by what stands in it, and which each of its sections does.",
  input: ReadServedHere,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const { all, sections } = servedWhere(await servedIn(tx, input.collection));
    return { all, sections: [...sections].map(([section, serves]) => ({ section, serves })) };
  },
});
