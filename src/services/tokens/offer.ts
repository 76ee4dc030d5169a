import { addPairing } from "@/data/queries/tokens";
import { action } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { sha256 } from "@/outside/hash";
import { newSecret } from "@/outside/random";

export const offerPairing = action({
  name: "tokens.offer",
  about: "A code with which a browser extension pairs itself, once and within ten minutes.",
  input: Nothing,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ scope, tx, at }) => {
    const code = newSecret();
    await addPairing(tx, { hash: sha256(code), person: scope.person!, createdAt: at });
    return { code };
  },
});
