import { differences } from "@/core/page/differences";
import { findResource } from "@/data/queries/resources";
import { candidatesOf, findProposal, findText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadProposal {
  @Id() resource: string;
}

export const readProposal = reading({
  name: "resources.proposal",
  about: "What a new look at the page found otherwise, and the pictures the page offers.",
  input: ReadProposal,
  allow: can.bringHere("resource"),
  run: async ({ input, tx }) => {
    const row = (await findResource(tx, input.resource))!;
    const found = await findProposal(tx, row.id);
    const text = await findText(tx, row.id);
    return {
      at: found?.at ?? null,
      differences: found ? differences(row, found.facts) : [],
      text:
        found?.copy && found.copy.text !== text?.text
          ? { before: text?.text.length ?? 0, after: found.copy.text.length }
          : null,
      picture: found?.pictureHash && found.pictureHash !== row.pictureHash ? found.pictureHash : null,
      pictures: found?.facts.pictures.length ? found.facts.pictures : await candidatesOf(tx, row.id),
    };
  },
});
