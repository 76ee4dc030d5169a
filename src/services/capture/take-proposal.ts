import { eq } from "drizzle-orm";
import { LOOKED_AT } from "@/core/page/differences";
import { countWords, minutesOf } from "@/core/text/minutes";
import { keepCandidates } from "@/data/queries/contents";
import { cardsById, lockResource, touchCollectionsOf, withTags } from "@/data/queries/resources";
import { proposal, resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, Texts } from "../input";
import { can } from "../policy";
import { keepCopy } from "./keep-copy";

class TakeProposal {
  @Id() resource: string;
  /** Names of the fields to take, and `picture` and `text`; none: everything stays as it is. */
  @Texts(12, 20) fields: string[];
}

export const takeProposal = action({
  name: "resources.take-proposal",
  about: "Takes what a new look at the page found, field by field; what is not named stays as it is.",
  input: TakeProposal,
  allow: can.bring("resource"),
  run: async ({ input, tx, tell }) => {
    const row = (await lockResource(tx, input.resource))!;
    const [found] = await tx.select().from(proposal).where(eq(proposal.resource, row.id));
    const at = now();
    if (found) {
      const take = new Set(input.fields);
      const change: Partial<typeof resource.$inferInsert> = { updatedAt: at };
      for (const field of LOOKED_AT)
        if (take.has(field)) Object.assign(change, { [field]: found.facts[field] });
      if (take.has("picture") && found.pictureHash) change.pictureHash = found.pictureHash;
      if (take.has("text") && found.copy && (await keepCopy(tx, row, found.copy, "seen"))) {
        change.words = countWords(found.copy.text);
        change.minutes = minutesOf({ words: change.words, seconds: row.seconds });
      }
      await keepCandidates(tx, row.id, found.facts.pictures);
      await tx.update(resource).set(change).where(eq(resource.id, row.id));
      await tx.delete(proposal).where(eq(proposal.resource, row.id));
      await touchCollectionsOf(tx, [row.id], at);
      tell({
        subject: row.id,
        verb: "resources.edit",
        data: { title: change.title ?? row.title, after: input.fields },
      });
    }
    return { resource: (await withTags(tx, await cardsById(tx, row.team, [row.id])))[0]! };
  },
});
