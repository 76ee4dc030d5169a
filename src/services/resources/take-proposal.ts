import { LOOKED_AT } from "@/core/page/differences";
import { countWords, minutesOf } from "@/core/text/minutes";
import { cardOf } from "@/data/queries/resources";
import { dropProposal, findProposal, storeCandidates } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { storeCopy } from "./store-copy";

class TakeProposal {
  @Id() resource: string;
  /** Names of the fields to take, and `picture` and `text`; none: everything stays as it is. */
  @Texts(12, 20) fields: string[];
}

export const takeProposal = action({
  name: "resources.take-proposal",
  about: "Takes what a new look at the page found, field by field; what is not named stays as it is.",
  input: TakeProposal,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  // The text and the pictures it had are not kept.
  history: null,
  run: async ({ input, tx, locked, set, change, emit }) => {
    const row = locked.resource(input.resource);
    const found = await findProposal(tx, row.id);
    if (found) {
      const take = new Set(input.fields);
      const fields: Partial<typeof row> = {};
      for (const field of LOOKED_AT)
        if (take.has(field)) Object.assign(fields, { [field]: found.facts[field] });
      if (take.has("picture") && found.pictureHash) fields.pictureHash = found.pictureHash;
      if (take.has("text") && found.copy && (await storeCopy(tx, set, row, found.copy, "seen"))) {
        fields.words = countWords(found.copy.text);
        fields.minutes = minutesOf({ ...row, ...fields });
      }
      await storeCandidates(tx, row.id, found.facts.pictures);
      await dropProposal(tx, row.id);
      const say = { title: fields.title ?? row.title };
      await change("resource", row, fields, { say, forGood: true });
      // Also when another text is all that was taken.
      emit({ subject: row.id, verb: "resources.edit", data: say });
    }
    return { resource: await cardOf(tx, row) };
  },
});
