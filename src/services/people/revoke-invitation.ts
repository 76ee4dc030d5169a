import { eq } from "drizzle-orm";
import { invitation } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RevokeInvitation {
  @Id() invitation: string;
}

export const revokeInvitation = action({
  name: "invitations.revoke",
  about: "Ends an invitation; its link stops working at once.",
  input: RevokeInvitation,
  allow: can.manage("invitation"),
  run: async ({ input, tx }) => {
    await tx.update(invitation).set({ revokedAt: now() }).where(eq(invitation.id, input.invitation));
    return { revoked: input.invitation };
  },
});
