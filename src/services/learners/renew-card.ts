import { setCard } from "@/data/queries/groups";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newCard } from "./new-learners";

class RenewCard {
  @Id() learner: string;
}

export const renewCard = action({
  name: "learners.renew-card",
  about:
    "Gives somebody in a group another card, because theirs was lost; the old one opens nothing any more.",
  input: RenewCard,
  allow: can.publish("learner"),
  locks: ({ input }) => ({ learners: [input.learner] }),
  // A card that was lost never opens again.
  history: null,
  run: async ({ input, tx, locked, emit }) => {
    const { id, name } = locked.learner(input.learner);
    const card = newCard();
    await setCard(tx, id, card);
    emit({ verb: "learners.edit", subject: id });
    return { learner: { id, name, ...card } };
  },
});
