import { accessToken } from "@/data/schema";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { newId, newSecret } from "@/outside/random";
import { action } from "../action";
import { Name } from "../input";
import { can } from "../policy";

class MakeToken {
  @Name("a name for the token", 120) name: string;
}

export const makeToken = action({
  name: "tokens.make",
  about: "Makes a personal access token. It is told this once; only its hash is kept.",
  input: MakeToken,
  allow: can.beSignedIn(),
  run: async ({ input, scope, tx }) => {
    const token = `hob_${newSecret()}`;
    const id = newId();
    await tx
      .insert(accessToken)
      .values({ id, person: scope.person!, name: input.name, hash: sha256(token), createdAt: now() });
    return { id, token };
  },
});
