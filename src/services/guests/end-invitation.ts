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
  run: async ({ input, tx, at, locked, set }) => {
    const { id, team } = locked.collection(input.collection);
    const open = await openInvitations(tx, team, id, at);
    const ended = open.find((one) => one.id === input.invitation);
    if (!ended) throw new Problem("not-found");
    await endInvitation(tx, ended.id, at);
    set.log("invitation-ended", ended.address ?? "a link", { team, collection: id });
    return { ended: input.invitation };
  },
});
