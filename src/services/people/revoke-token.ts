import { and, eq } from "drizzle-orm";
import { accessToken } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RevokeToken {
  @Id() token: string;
}

export const revokeToken = action({
  name: "tokens.revoke",
  about: "Ends one of one's own access tokens.",
  input: RevokeToken,
  allow: can.beSignedIn(),
  run: async ({ input, scope, tx }) => {
    await tx
      .update(accessToken)
      .set({ revokedAt: now() })
      .where(and(eq(accessToken.id, input.token), eq(accessToken.person, scope.person!)));
    return { revoked: input.token };
  },
});
