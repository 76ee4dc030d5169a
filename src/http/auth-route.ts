import { within, wasRight } from "@/mechanism/limits";
import { Problem } from "@/mechanism/problem";
import { newSecret } from "@/outside/random";
import { requestAddress } from "@/outside/request-context";
import { auth } from "@/services/accounts/auth";
import { isKnownDevice, knownDevice } from "@/services/accounts/devices";
import { answering, json, readBody } from "./answer";

/** More than a name, an address and a password are never sent here. */
const MOST_BYTES = 16_000;

type Body = Record<string, unknown>;
type Ask = { request: Request; body: Body; address: string; go: (body: Body) => Promise<Response> };

/** What is done before the accounts library is asked, by the end of the path. */
const BEFORE: Record<string, (ask: Ask) => Promise<Response>> = {
  "/sign-in/email": signIn,
  "/sign-up/email": signUp,
};

/** /api/auth/…: sign up, in and out, confirm, forgotten password. The accounts library answers. */
export const handleAuth = (request: Request): Promise<Response> =>
  answering(async () => {
    if (!request.body) return auth().handler(request);
    const bytes = await readBody(request, MOST_BYTES);
    if (!bytes) throw new Problem("too-large");
    const { url, method, headers } = request;
    const send = (body: Uint8Array) =>
      auth().handler(new Request(url, { method, headers, body: new Uint8Array(body) }));
    const before = BEFORE[new URL(url).pathname.replace(/^\/api\/auth/, "")];
    const body = before ? asObject(bytes) : null;
    const address = requestAddress() ?? "unknown";
    if (!before || !body) return counted("tries", address, () => send(bytes));
    return before({ request, body, address, go: (other) => send(Buffer.from(JSON.stringify(other))) });
  });

function asObject(bytes: Uint8Array): Body | null {
  try {
    const body = JSON.parse(new TextDecoder().decode(bytes)) as unknown;
    return body && typeof body === "object" && !Array.isArray(body) ? (body as Body) : null;
  } catch {
    return null;
  }
}

const counted = async (
  limit: "tries" | "signUps",
  address: string,
  work: () => Promise<Response>,
): Promise<Response> =>
  (await within(limit, address))
    ? work()
    : json({ message: "Too many requests. Please try again later." }, 429);

/**
 * Signing in. Tries are counted by the address they come from, and by the account; those of a browser somebody has signed
 * in with before are counted apart, so that a stranger's wrong tries lock nobody out of their own.
 */
async function signIn({ request, body, address, go }: Ask): Promise<Response> {
  const email = String(body.email ?? "")
    .trim()
    .toLowerCase();
  const cookies = request.headers.get("cookie") ?? "";
  const account = isKnownDevice(cookies, email) ? `known ${email}` : email;
  return counted("tries", address, async () => {
    if (!(await within("wrongTries", account)))
      return json({ message: "Too many wrong tries for this account." }, 429);
    const answer = await go(body);
    if (!answer.ok) return answer;
    await wasRight("wrongTries", account);
    answer.headers.append("set-cookie", knownDevice(cookies, email));
    return answer;
  });
}

/** Signing up. Whoever does names no password: it is chosen by whoever follows the link in the letter, whose address it is. */
function signUp({ body, address, go }: Ask): Promise<Response> {
  return counted("signUps", address, () => go({ ...body, password: newSecret() }));
}
