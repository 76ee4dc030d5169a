import { tokensOf } from "@/data/queries/tokens";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const readTokens = reading({
  name: "tokens.read",
  about: "One's own access tokens, without their secrets.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({ tokens: await tokensOf(tx, scope.person!) }),
});
