import type { Readable } from "node:stream";
import { Agent, request } from "undici";
import type { FetchProblem } from "@/core/page/facts";
import { allowedOrigin, Guarded, guardedLookup, isPublicAddress, loopbackLookup } from "./guard";
import { inflate, TooLarge } from "./inflate";
import { enterHost } from "./per-host";
import { robotsAllow } from "./robots";

const AGENT = "Hobbin/0.1 (+https://hobbin.invalid/about-fetching)";
const REDIRECTS = 8;

type FetchLimits = { milliseconds: number; bytes: number };
const LIMITS: FetchLimits = { milliseconds: 10_000, bytes: 5 * 1024 * 1024 };

export type Fetched =
  | {
      ok: true;
      address: string;
      /** 304: it is as it was, and nothing is sent; only when `known` was said. */
      status: number;
      headers: Record<string, string>;
      body: Buffer;
      /** Where it said that it stands for good now; null: where it was asked for. */
      moved: string | null;
    }
  | { ok: false; address: string; problem: FetchProblem; status?: number; headers?: Record<string, string> };

/** How far out one may reach. */
export type Reach = {
  /** Origins of the private network that may be fetched all the same, separated by blanks. */
  allow: string;
  /** Ports beside those of http and https, separated by blanks; without them there are none. */
  ports?: string;
};

export type FetchOptions = Reach & {
  /** A person asked for this very address; otherwise robots.txt is asked first. */
  asked: boolean;
  accept?: string;
  limits?: Partial<FetchLimits>;
  /** What the last answer was known by: then only another one is sent (RFC 9110, 13.1.2 and 13.1.3). */
  known?: { etag: string; modified: string };
  /** An archive is asked for the page as it was then, in the form of an HTTP date (RFC 7089, 2.1.1). */
  asOf?: string;
};

const open = new Agent({
  connect: { lookup: guardedLookup as never, timeout: 8_000 },
  keepAliveTimeout: 2_000,
});
const allowed = new Agent({
  connect: { lookup: loopbackLookup as never, timeout: 8_000 },
  keepAliveTimeout: 2_000,
});

/**
 * The one way out to the web. Only http and https; every address a name resolves to is checked, literal ones
 * too, and again at each redirect; time, size after decompression and redirects are limited. Never throws: what
 * went wrong comes back as a problem.
 * @param address an address of http or https, from anywhere
 * @param options what is asked for, and bounds of bytes and milliseconds
 * @example
 * const page = await fetchGuarded("https://bog.example/", { asked: true, allow: "" });
 * if (page.ok) page.body;
 */
export async function fetchGuarded(address: string, options: FetchOptions): Promise<Fetched> {
  let url: URL;
  try {
    url = new URL(address);
  } catch {
    return { ok: false, address, problem: "no-answer" };
  }
  let moved: string | null = null;
  let isForGood = true;
  const leave = await enterHost(url.host);
  const limits = { ...LIMITS, ...options.limits };
  const signal = AbortSignal.timeout(limits.milliseconds);
  try {
    for (let hop = 0; hop <= REDIRECTS; hop++) {
      const dispatcher = dispatcherFor(url, options);
      if (!options.asked && !(await robotsAllow(url, (robots) => plainGet(robots, options, signal))))
        return { ok: false, address: url.href, problem: "robots" };
      const answer = await request(url, {
        dispatcher,
        signal,
        headers: {
          "user-agent": AGENT,
          accept: options.accept ?? "text/html,application/xhtml+xml,*/*;q=0.8",
          "accept-encoding": "gzip, br, deflate",
          "accept-language": "en,*;q=0.5",
          ...(options.asOf && { "accept-datetime": options.asOf }),
          ...(options.known?.etag && { "if-none-match": options.known.etag }),
          ...(options.known?.modified && { "if-modified-since": options.known.modified }),
        },
      });
      const headers = flat(answer.headers);
      if (answer.statusCode === 304 && options.known) {
        // It has no body (RFC 9110, 15.4.5), and to break off costs more than to let it end.
        answer.body.on("error", () => undefined).resume();
        return { ok: true, address: url.href, status: 304, headers, body: Buffer.alloc(0), moved };
      }
      if (answer.statusCode >= 300 && answer.statusCode < 400 && headers.location) {
        discard(answer.body);
        url = new URL(headers.location, url);
        // What is only for now after what is for good is only for now.
        isForGood &&= answer.statusCode === 301 || answer.statusCode === 308;
        if (isForGood) moved = url.href;
        continue;
      }
      const problem = statusProblem(answer.statusCode);
      if (problem) {
        discard(answer.body);
        return { ok: false, address: url.href, problem, status: answer.statusCode, headers };
      }
      const body = await inflate(answer.body, headers["content-encoding"], limits.bytes);
      return { ok: true, address: url.href, status: answer.statusCode, headers, body, moved };
    }
    return { ok: false, address: url.href, problem: "too-many-redirects" };
  } catch (error) {
    return { ok: false, address: url.href, problem: problemOf(error, signal) };
  } finally {
    leave();
  }
}

/** Lets go of a body nobody reads; that it was let go is no error. */
function discard(body: Readable): void {
  body.on("error", () => undefined).destroy();
}

function dispatcherFor(url: URL, { allow, ports = "" }: Reach): Agent {
  if (url.protocol !== "http:" && url.protocol !== "https:") throw new Guarded("only http and https");
  // What has a name or a password in it was meant for somebody, not for us.
  if (url.username || url.password) throw new Guarded("credentials");
  if (allowedOrigin(url, allow)) return allowed;
  // An empty port is the scheme's own.
  if (url.port && !ports.split(/\s+/).includes(url.port)) throw new Guarded(`port ${url.port}`);
  // The socket's lookup is not called for literal addresses. The URL standard has already made odd notations
  // (0x7f.1, 2130706433, 127.1) into plain ones.
  const literal = /^\[|^\d+(\.\d+){3}$/.test(url.hostname);
  if (literal && !isPublicAddress(url.hostname)) throw new Guarded(url.hostname);
  if (/(^|\.)(localhost|local|internal|home\.arpa)\.?$/i.test(url.hostname)) throw new Guarded(url.hostname);
  return open;
}

/** For robots.txt alone: no redirects, small, and guarded in the same way. */
async function plainGet(
  url: URL,
  reach: Reach,
  signal: AbortSignal,
): Promise<{ status: number; text: string }> {
  const answer = await request(url, {
    dispatcher: dispatcherFor(url, reach),
    signal,
    headers: { "user-agent": AGENT },
  });
  const body = await inflate(answer.body, flat(answer.headers)["content-encoding"], 512 * 1024);
  return { status: answer.statusCode, text: body.toString("utf8") };
}

function statusProblem(status: number): FetchProblem | null {
  if (status >= 200 && status < 300) return null;
  if (status === 404 || status === 410) return "not-found";
  if (status === 401 || status === 403 || status === 407) return "needs-sign-in";
  return status >= 500 ? "site-error" : "refused-status";
}

/** How OpenSSL and Node name what is wrong with a certificate (https://nodejs.org/api/tls.html#x509-certificate-error-codes). */
const CERTIFICATE =
  /CERT|SELF_SIGNED|UNABLE_TO_GET_ISSUER|UNABLE_TO_VERIFY_LEAF|HOSTNAME_MISMATCH|INVALID_PURPOSE|PATH_LENGTH_EXCEEDED/;

function problemOf(error: unknown, signal: AbortSignal): FetchProblem {
  for (let e = error; e instanceof Error; e = e.cause as Error) {
    if (e instanceof Guarded) return "guarded";
    if (e instanceof TooLarge) return "too-large";
    if (CERTIFICATE.test((e as { code?: string }).code ?? "")) return "certificate";
    if (/TIMEOUT|Timeout/.test(`${e.name} ${(e as { code?: string }).code ?? ""}`)) return "timeout";
  }
  return signal.aborted ? "timeout" : "no-answer";
}

function flat(headers: Record<string, string | string[] | undefined>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(headers).map(([name, value]) => [
      name.toLowerCase(),
      Array.isArray(value) ? value[0]! : (value ?? ""),
    ]),
  );
}
