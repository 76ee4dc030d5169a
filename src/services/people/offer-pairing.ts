import { pairing } from "@/data/schema";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { newSecret } from "@/outside/random";
import { action } from "../action";
import { Nothing } from "../input";
import { can } from "../policy";

export const offerPairing = action({
  name: "tokens.offer",
  about: "A code with which a browser extension pairs itself, once and within ten minutes.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => {
    const code = newSecret();
    await tx.insert(pairing).values({ hash: sha256(code), person: scope.person!, createdAt: now() });
    return { code };
  },
});
