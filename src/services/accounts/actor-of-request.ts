import { personOfToken } from "@/data/queries/tokens";
import { patiently } from "@/data/transaction";
import { type Actor, STRANGER } from "@/mechanism/actor";
import { guarded } from "@/mechanism/limits";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { sha256 } from "@/outside/hash";
import { auth } from "./auth";

/**
 * Who sends this request: the holder of a personal access token, or of a session's cookie, or a stranger.
 * @param headers of the request: a cookie or a bearer token
 * @throws {Problem} not-signed-in when a token is given that does not hold (a wrong token is no stranger)
 */
export const actorOf = (headers: Headers): Promise<Actor> => patiently(() => find(headers));

async function find(headers: Headers): Promise<Actor> {
  const bearer = /^Bearer\s+(\S+)$/i.exec(headers.get("authorization") ?? "")?.[1];
  if (bearer) {
    const found = await guarded("token", () => personOfToken(database(), sha256(bearer), now()));
    if (!found) throw new Problem("token-ended");
    const { scope, token, ...person } = found;
    const by = { kind: "token" as const, id: token };
    return { person, share: null, by, ...(scope !== "all" && { only: scope }) };
  }
  if (!headers.get("cookie")?.includes("hobbin.")) return STRANGER;
  const session = await auth().api.getSession({ headers });
  return session
    ? {
        person: {
          id: session.user.id,
          name: session.user.name,
          email: session.user.email,
          image: session.user.image ?? null,
        },
        share: null,
        by: { kind: "session", id: session.session.id },
      }
    : STRANGER;
}
