import { endInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RevokeInvitation {
  @Id() invitation: string;
}

export const revokeInvitation = action({
  name: "invitations.revoke",
  about: "Ends an invitation; its link stops working at once.",
  input: RevokeInvitation,
  allow: can.manage("invitation"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    await endInvitation(tx, input.invitation, at);
    set.log("invitation-ended", "", { team: scope.team! });
    return { revoked: input.invitation };
  },
});
