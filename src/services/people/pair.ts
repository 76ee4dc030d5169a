import { and, eq, gte } from "drizzle-orm";
import { accessToken, pairing, person } from "@/data/schema";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { newId, newSecret } from "@/outside/random";
import { action } from "../action";
import { Name } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

class Pair {
  @Name("the code", 200) code: string;
  @Name("a name for the browser", 120) name: string;
}

const MINUTES = 10;

export const pair = action({
  name: "tokens.pair",
  about:
    "Takes up an offered pairing: gives a token that only brings things in, and can be revoked like any other.",
  input: Pair,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    const since = new Date(now().getTime() - MINUTES * 60_000);
    const [offer] = await tx
      .select({ hash: pairing.hash, person: pairing.person, name: person.name })
      .from(pairing)
      .innerJoin(person, eq(person.id, pairing.person))
      .where(and(eq(pairing.hash, sha256(input.code)), gte(pairing.createdAt, since)))
      .for("update");
    if (!offer) throw new Problem("not-found", "This pairing has run out. Press “Pair this browser” again.");
    await tx.delete(pairing).where(eq(pairing.hash, offer.hash));
    const token = `hob_${newSecret()}`;
    await tx.insert(accessToken).values({
      id: newId(),
      person: offer.person,
      name: input.name,
      scope: "capture",
      hash: sha256(token),
      createdAt: now(),
    });
    return { token, person: offer.name };
  },
});
