import { addToken } from "@/data/queries/tokens";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { sha256 } from "@/outside/hash";
import { newId, newSecret } from "@/outside/random";

class MakeToken {
  @Name("a name for the token", 120) name: string;
}

export const makeToken = action({
  name: "tokens.make",
  about: "Makes a personal access token. It is told this once; only its hash is kept.",
  input: MakeToken,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const token = `hob_${newSecret()}`;
    const id = newId();
    await addToken(tx, { id, person: scope.person!, name: input.name, hash: sha256(token), createdAt: at });
    return { id, token };
  },
});
