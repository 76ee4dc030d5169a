import { addToken, takePairing } from "@/data/queries/tokens";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { guarded } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { sha256 } from "@/outside/hash";
import { newId, newSecret } from "@/outside/random";

class Pair {
  @Name("the code", 200) code: string;
  @Name("a name for the browser", 120) name: string;
}

const MINUTES = 10;

export const pair = action({
  name: "tokens.pair",
  about:
    "Takes up an offered pairing: gives a token that only brings things in, or only reads and makes marks, as was offered; it can be revoked like any other.",
  input: Pair,
  allow: can.ask(),
  locks: null,
  history: null,
  run: async ({ input, tx, at }) => {
    const since = new Date(at.getTime() - MINUTES * 60_000);
    const offer = await guarded("pairing", () => takePairing(tx, sha256(input.code), since));
    if (!offer) throw new Problem("pairing-ended");
    const token = `hob_${newSecret()}`;
    await addToken(tx, {
      id: newId(),
      person: offer.person,
      name: input.name,
      scope: offer.scope,
      hash: sha256(token),
      createdAt: at,
    });
    return { token, person: offer.name, scope: offer.scope };
  },
});
