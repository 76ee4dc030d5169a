import { addPairing } from "@/data/queries/tokens";
import { action } from "@/mechanism/action";
import { MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { PAIRED_FOR, type PairedFor } from "@/core/policy/paired";
import { sha256 } from "@/outside/hash";
import { newSecret } from "@/outside/random";

class OfferPairing {
  /** What the browser may do then: bring things in, which is meant without this, or read and make marks. */
  @MaybeOneOf(PAIRED_FOR) scope?: PairedFor;
}

export const offerPairing = action({
  name: "tokens.offer",
  about: "A code with which a browser extension pairs itself, once and within ten minutes.",
  input: OfferPairing,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const code = newSecret();
    await addPairing(tx, {
      ...{ hash: sha256(code), person: scope.person!, createdAt: at },
      scope: input.scope ?? "capture",
    });
    return { code };
  },
});
