import http, { type IncomingMessage, type ServerResponse } from "node:http";
import { MOST_BYTES, MOST_OF_AUTH } from "@/http/bounds";
import { LENGTH } from "@/http/length";
import { KINDS, type ProblemCode, PROBLEMS } from "@/mechanism/problems";
import { log } from "@/outside/log";
import { newId } from "@/outside/random";
import { inRequest } from "@/outside/request-context";
import { addressOf, isFromProxy, readProxies } from "./address";
import { pagePolicy, STRICT_TRANSPORT } from "./policy";

export type Handle = (request: IncomingMessage, response: ServerResponse) => Promise<void>;
/** Answers at once what it can, with these heads; @returns the status, or undefined where it cannot. */
type AtOnce = (request: IncomingMessage, response: ServerResponse, heads: string[]) => number | undefined;
type Options = {
  atOnce?: AtOnce;
  /** Told of every answer. */
  count?: (url: string, status: number, ms: number) => void;
  /** The address people open Hobbin at. */
  address: string;
  /** The proxies that are trusted, as `readProxies` reads them. */
  proxies: string;
};

/** The head by which what comes behind the front knows where a request comes from; nobody else can set it. */
export const ADDRESS = "x-hobbin-address";

/**
 * The server in front of Next: what must happen before it, for every request. Requests get an id and the address they come
 * from, answers their policy; each is logged. What goes on is ended in order by `stop`.
 */
export class Front {
  readonly server: http.Server;
  readonly #handle: Handle;
  readonly #atOnce: AtOnce;
  readonly #count: NonNullable<Options["count"]>;
  readonly #proxies;
  readonly #strict: boolean;
  #stopping = false;

  constructor(
    handle: Handle,
    { address, proxies, atOnce = () => undefined, count = () => undefined }: Options,
  ) {
    this.#handle = handle;
    this.#count = count;
    this.#atOnce = atOnce;
    this.#proxies = readProxies(proxies);
    this.#strict = address.startsWith("https:");
    this.server = http.createServer((request, response) => {
      // Nothing anybody sends ends the process.
      this.#answer(request, response).catch((error: unknown) => {
        log.error({ err: error }, "a request could not be answered");
        response.destroy();
      });
    });
    // Longer than proxies keep a connection, so that none is closed just when something is sent on it.
    this.server.keepAliveTimeout = 70_000;
    this.server.headersTimeout = 75_000;
  }

  /** @throws when the port is taken */
  listen(port: number, host: string): Promise<void> {
    return new Promise((resolve, reject) => {
      this.server.once("error", reject);
      this.server.listen(port, host, () => {
        this.server.off("error", reject);
        resolve();
      });
    });
  }

  /**
   * Takes no more connections, lets what is being answered be answered, and then closes.
   * @param patience how long that may take, in milliseconds
   */
  async stop(patience: number): Promise<void> {
    this.#stopping = true;
    const closed = new Promise<void>((resolve) => this.server.close(() => resolve()));
    this.server.closeIdleConnections();
    const timer = setTimeout(() => this.server.closeAllConnections(), patience);
    await closed;
    clearTimeout(timer);
  }

  async #answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const id = newId();
    const began = performance.now();
    const heads = ["x-request-id", id];
    if (this.#strict) heads.push("strict-transport-security", STRICT_TRANSPORT);
    if (this.#stopping) heads.push("connection", "close");
    const status = this.#atOnce(request, response, heads);
    if (status !== undefined) {
      this.#count(request.url ?? "", status, performance.now() - began);
      if (log.isLevelEnabled("info"))
        inRequest({ id, address: "" }, () => note(request, status, performance.now() - began));
      return;
    }
    const address = addressOf(request, this.#proxies);
    await inRequest({ id, address }, async () => {
      response.on("close", () => {
        this.#count(request.url ?? "", response.statusCode, performance.now() - began);
        const broken = response.writableFinished ? {} : { broken: true };
        note(request, response.statusCode, performance.now() - began, broken);
        // A connection that is kept for the next request would be waited for.
        if (this.#stopping) setImmediate(() => this.server.closeIdleConnections());
      });
      try {
        this.#prepare(request, response, heads, address);
        if (pathOf(request) === null)
          return refuse(response, id, "not-found", "This address has a slip in it.");
        if (isTooLarge(request)) {
          // What comes is not waited for.
          response.setHeader("connection", "close");
          return refuse(response, id, "too-large", PROBLEMS["too-large"].detail);
        }
        await this.#handle(request, response);
      } catch (error) {
        log.error({ err: error }, "a request failed before it was handled");
        if (!response.headersSent) response.writeHead(500);
        response.end();
      }
    });
  }

  #prepare(request: IncomingMessage, response: ServerResponse, heads: string[], address: string): void {
    const { headers } = request;
    if (!isFromProxy(request, this.#proxies))
      for (const name of Object.keys(headers)) if (name.startsWith("x-forwarded-")) delete headers[name];
    headers[ADDRESS] = address;
    // Only the front says what a page may load.
    delete headers["content-security-policy"];
    delete headers["x-nonce"];
    for (let i = 0; i < heads.length; i += 2) response.setHeader(heads[i]!, heads[i + 1]!);
    sayLength(response);
    const page = pagePolicy(request.url ?? "/");
    if (!page) return;
    headers["content-security-policy"] = page.policy;
    headers["x-nonce"] = page.nonce;
    response.setHeader("content-security-policy", page.policy);
  }
}

/** Says how long an answer is that tells it (`LENGTH`), unless it was compressed on its way here. */
function sayLength(response: ServerResponse): void {
  const write = response.writeHead;
  response.writeHead = function (this: ServerResponse, ...heads: unknown[]) {
    const length = this.getHeader(LENGTH);
    this.removeHeader(LENGTH);
    if (length !== undefined && !this.hasHeader("content-encoding")) this.setHeader("content-length", length);
    return Reflect.apply(write, this, heads) as ServerResponse;
  };
}

function note({ method, url = "" }: IncomingMessage, status: number, ms: number, more: object = {}): void {
  if (url.startsWith("/_next/")) return;
  log.info({ method, path: withoutCodes(url), status, ms: Math.round(ms), ...more }, "request");
}

/** The path of a request as it is meant; null when it is none (RFC 3986 §2.1: what is escaped must be UTF-8 here). */
function pathOf({ url = "/" }: IncomingMessage): string | null {
  try {
    return decodeURIComponent(url.split("?")[0]!);
  } catch {
    return null;
  }
}

/** A path as it is logged: codes that open doors are cut, and what is asked behind it. */
const withoutCodes = (url: string) =>
  url
    .split("?")[0]!
    .replace(/^\/(c|join)\/(.{4})[^/]*/, "/$1/$2…")
    .replace(/\/(verify-email|reset-password)\/.*/, "/$1/…")
    .slice(0, 300);

/**
 * Whether a request says itself that it brings more than anything here takes; files come in parts, and are bounded where
 * they are taken in. What says nothing of its length is counted as it is read (`readBody`).
 */
function isTooLarge({ headers, url = "" }: IncomingMessage): boolean {
  const most = url.startsWith("/api/files")
    ? Infinity
    : url.startsWith("/api/auth/")
      ? MOST_OF_AUTH
      : MOST_BYTES;
  return Number(headers["content-length"] ?? 0) > most;
}

function refuse(response: ServerResponse, id: string, code: ProblemCode, detail: string): void {
  const { status, title } = KINDS[PROBLEMS[code].kind];
  response.writeHead(status, { "content-type": "application/problem+json", "cache-control": "no-store" });
  const type = `urn:hobbin:problem:${code}`;
  response.end(JSON.stringify({ type, code, title, status, detail, instance: `urn:uuid:${id}` }));
}
