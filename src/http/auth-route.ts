import { setTimeout } from "node:timers/promises";
import { within, wasRight } from "@/mechanism/limits";
import { Problem } from "@/mechanism/problem";
import { newSecret } from "@/outside/random";
import { requestAddress } from "@/outside/request-context";
import { auth } from "@/services/accounts/auth";
import { whyNotSignUp } from "@/services/accounts/may-sign-up";
import { isKnownDevice, knownDevice } from "@/services/accounts/devices";
import { answering, json, readBody } from "./answer";
import { MOST_OF_AUTH } from "./bounds";

type Body = Record<string, unknown>;
type Ask = { request: Request; body: Body; address: string; go: (body: Body) => Promise<Response> };

/**
 * So long an answer takes at the least, in milliseconds, where what is done for an account that is there takes longer than
 * for none: with whoever asks for a letter. Signing in and up take the same time by themselves, which hashing a password
 * takes (measured: 126 to 123 and 144 to 148 ms; a letter 17 to 11).
 */
const LEAST = 300;
const OF_LETTERS = new Set(["/request-password-reset", "/send-verification-email"]);

/** What is done before the accounts library is asked, by the end of the path. */
const BEFORE: Record<string, (ask: Ask) => Promise<Response>> = {
  "/sign-in/email": signIn,
  "/sign-up/email": signUp,
};

/** /api/auth/…: sign up, in and out, confirm, forgotten password. The accounts library answers. */
export const handleAuth = (request: Request): Promise<Response> =>
  answering(async () => {
    if (!request.body) return auth().handler(request);
    const bytes = await readBody(request, MOST_OF_AUTH);
    if (!bytes) throw new Problem("too-large");
    const { url, method, headers } = request;
    const send = (body: Uint8Array) =>
      auth().handler(new Request(url, { method, headers, body: new Uint8Array(body) }));
    const path = new URL(url).pathname.replace(/^\/api\/auth/, "");
    const before = BEFORE[path];
    const body = before ? asObject(bytes) : null;
    const address = requestAddress() ?? "unknown";
    if (OF_LETTERS.has(path))
      return (await Promise.all([counted("tries", address, () => send(bytes)), setTimeout(LEAST)]))[0];
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
  return counted("signUps", address, async () => {
    const whyNot = await whyNotSignUp(String(body.email ?? ""), body.callbackURL);
    return whyNot ? json({ message: whyNot }, 403) : go({ ...body, password: newSecret() });
  });
}
