import { openInvitations, endInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class EndInvitation {
  @Id() collection: string;
  @Id() invitation: string;
}

export const endGuestInvitation = action({
  name: "guests.end-invitation",
  about: "Ends an invitation into a collection; its link stops working at once.",
  input: EndInvitation,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, at, locked }) => {
    const { id, team } = locked.collection(input.collection);
    const open = await openInvitations(tx, team, id, at);
    if (!open.some((one) => one.id === input.invitation)) throw new Problem("not-found");
    await endInvitation(tx, input.invitation, at);
    return { ended: input.invitation };
  },
});
