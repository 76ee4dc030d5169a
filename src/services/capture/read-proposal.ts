import { eq } from "drizzle-orm";
import { differences } from "@/core/page/differences";
import { candidatesOf, findText } from "@/data/queries/contents";
import { findResource } from "@/data/queries/resources";
import { proposal } from "@/data/schema";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadProposal {
  @Id() resource: string;
}

export const readProposal = reading({
  name: "resources.proposal",
  about: "What a new look at the page found otherwise, and the pictures the page offers.",
  input: ReadProposal,
  allow: can.bring("resource"),
  run: async ({ input, tx }) => {
    const row = (await findResource(tx, input.resource))!;
    const [found] = await tx.select().from(proposal).where(eq(proposal.resource, row.id));
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
