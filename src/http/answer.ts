import { isAway, isLost } from "@/data/transaction";
import { Problem } from "@/mechanism/problem";
import { log } from "@/outside/log";
import { newId } from "@/outside/random";
import { requestId } from "@/outside/request-context";
import { settings } from "@/outside/settings";
import { MOST_BYTES } from "./bounds";

/**
 * An answer in JSON that no one in between may keep.
 * @param body what JSON can say
 * @param status of HTTP
 */
export const json = (body: unknown, status = 200) =>
  Response.json(body, { status, headers: { "cache-control": "no-store" } });

/**
 * Runs a handler; what it throws becomes problem details (RFC 9457), and what nobody foresaw is logged. Every answer
 * carries the id of its request, which stands in the log too and, as `instance`, in the problem.
 */
export async function answering(work: () => Promise<Response>): Promise<Response> {
  const request = requestId() ?? newId();
  const answer = await work().catch((error: unknown) => failed(error, request));
  answer.headers.set("x-request-id", request);
  return answer;
}

function failed(error: unknown, request: string): Response {
  const instance = `urn:uuid:${request}`;
  const problem = isAway(error)
    ? new Problem("database-away")
    : isLost(error)
      ? new Problem("many-at-once")
      : error;
  if (problem instanceof Problem) return problemAnswer({ ...problem.toJSON(), instance }, problem.status);
  // Whoever asked is gone in the middle of asking, by closing the page for one; nobody hears the answer.
  if (error instanceof Error && error.message === "aborted") return new Response(null, { status: 400 });
  log.error({ err: error, request }, "a request failed");
  const detail = "Something went wrong on our side. What you sent was not saved; try it again.";
  const title = "Something went wrong";
  return problemAnswer({ type: "about:blank", code: "failed", title, status: 500, detail, instance }, 500);
}

const problemAnswer = (body: object, status: number) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { "content-type": "application/problem+json", "cache-control": "no-store" },
  });

/**
 * Refuses a change that another site makes a browser send along with the person's cookie. Requests with a token
 * of their own, and programs that send no Origin, carry no cookie by accident.
 */
export function mustBeOwnSite(request: Request): void {
  const origin = request.headers.get("origin");
  // An extension that has no token yet pairs itself, and must not act by a cookie.
  if (origin && EXTENSION.test(origin) && !request.headers.get("cookie")) return;
  if (origin && origin !== settings().address && origin !== ownOrigin(request) && !hasToken(request))
    throw new Problem("other-site");
}

/** Whoever has a token of their own is known by that, and no cookie is looked at; any other scheme lets off nothing. */
const hasToken = (request: Request) => /^Bearer\s/i.test(request.headers.get("authorization") ?? "");

/** Behind the names people reach it by, the application also answers at the host it was asked at. */
function ownOrigin(request: Request): string {
  const host = request.headers.get("host");
  return host ? `${new URL(request.url).protocol}//${host}` : new URL(request.url).origin;
}

/**
 * The bytes of a body, as far as they are welcome: what its head says of its length is not believed.
 * @param most how many bytes may come
 * @returns null when there are more; the rest is not read
 */
export async function readBody(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get("content-length") ?? 0) > most) return null;
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for (const reader = request.body?.getReader(); reader;) {
    const { done, value } = await reader.read();
    if (done) break;
    bytes += value.length;
    if (bytes > most) {
      // Nobody waits for the one who sends to be done with it.
      void reader.cancel().catch(() => undefined);
      return null;
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

/** The body as JSON. */
export async function readJson(request: Request): Promise<unknown> {
  if (!/^application\/json\b/.test(request.headers.get("content-type") ?? ""))
    throw new Problem("not-sent-as-json");
  const body = await readBody(request, MOST_BYTES);
  if (!body) throw new Problem("too-large", "At most 9 MB at once, please.");
  try {
    return JSON.parse(new TextDecoder().decode(body) || "{}");
  } catch {
    throw new Problem("not-json");
  }
}

/** Origins of browser extensions. They hold no cookie of ours; what they may is in their token. */
const EXTENSION = /^(chrome|moz)-extension:\/\/[\w-]+$/;

/** Lets a browser extension read the answer to a request it made with a token of its own. */
export function forExtension(request: Request, answer: Response): Response {
  const origin = request.headers.get("origin") ?? "";
  if (!EXTENSION.test(origin)) return answer;
  answer.headers.set("access-control-allow-origin", origin);
  answer.headers.set("access-control-expose-headers", "location");
  answer.headers.append("vary", "origin");
  return answer;
}

/** The browser's question before an extension's request; only requests that carry a token are let through. */
export const preflight = (request: Request): Response =>
  forExtension(
    request,
    new Response(null, {
      status: 204,
      headers: {
        "access-control-allow-methods": "POST, PATCH, HEAD",
        "access-control-allow-headers":
          "authorization, content-type, tus-resumable, upload-length, upload-metadata, upload-offset",
        "access-control-max-age": "600",
      },
    }),
  );
