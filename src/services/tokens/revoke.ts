import { endToken } from "@/data/queries/tokens";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RevokeToken {
  @Id() token: string;
}

export const revokeToken = action({
  name: "tokens.revoke",
  about: "Ends one of one's own access tokens.",
  input: RevokeToken,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    await endToken(tx, input.token, scope.person!, at);
    return { revoked: input.token };
  },
});
