import { timingSafeEqual } from "node:crypto";
import type { IncomingMessage, ServerResponse } from "node:http";
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from "prom-client";
import { queueState } from "@/data/queries/jobs";
import { within } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { hub } from "@/services/events/hub";

/** So long the queue is waited for, in milliseconds; without it the rest is told. */
const PATIENCE = 2_000;
const ALIVE = 15_000;

/** What of a request is counted: what it is for, and no address, which could be anybody's. */
type Kind = "reader" | "action" | "live" | "file" | "page" | "other";

const kindOf = (url: string): Kind =>
  url.startsWith("/c/")
    ? "reader"
    : url.startsWith("/api/actions/")
      ? "action"
      : url.startsWith("/api/live")
        ? "live"
        : /^\/api\/(files?|pictures)(\/|$)/.test(url)
          ? "file"
          : url.startsWith("/api/")
            ? "other"
            : "page";

const registry = new Registry();
const answered = new Counter({
  name: "hobbin_requests_total",
  help: "Requests that were answered, by what they are for and the first figure of the status.",
  labelNames: ["kind", "status"],
  registers: [registry],
});
const took = new Histogram({
  name: "hobbin_request_seconds",
  help: "How long answers took.",
  labelNames: ["kind"],
  buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
  registers: [registry],
});
new Gauge({
  name: "hobbin_listeners",
  help: "Event streams that are open.",
  registers: [registry],
  collect() {
    this.set(hub().listeners);
  },
});
const jobs = new Gauge({
  name: "hobbin_jobs",
  help: "Jobs in the queue, for all processes together.",
  labelNames: ["state"],
  registers: [registry],
});
const late = new Gauge({
  name: "hobbin_jobs_late_seconds",
  help: "How long what should have been done by now has waited.",
  registers: [registry],
});
const up = new Gauge({
  name: "hobbin_database_up",
  help: "Whether the database answers.",
  registers: [registry],
});
collectDefaultMetrics({ register: registry });

/** Counts an answer. */
export function countAnswer(url: string, status: number, ms: number): void {
  const kind = kindOf(url);
  answered.inc({ kind, status: `${Math.floor(status / 100)}xx` });
  // A stream takes as long as somebody listens.
  if (kind !== "live") took.observe({ kind }, ms / 1000);
}

/** Whether a request is for the figures of this process. */
export const isForMetrics = ({ method, url = "" }: IncomingMessage): boolean =>
  method === "GET" && /^\/api\/metrics(\?|$)/.test(url);

/**
 * Tells the figures in the text format of Prometheus (https://prometheus.io/docs/instrumenting/exposition_formats/), to
 * whoever has the token; without one set there are none.
 */
export async function sendMetrics(
  request: IncomingMessage,
  response: ServerResponse,
  token: string,
): Promise<void> {
  const given = /^Bearer (.+)$/i.exec(request.headers.authorization ?? "")?.[1] ?? "";
  if (!token || !isSame(given, token)) {
    response.writeHead(token ? 401 : 404, { "cache-control": "no-store" });
    return void response.end();
  }
  await readQueue();
  response.writeHead(200, { "content-type": registry.contentType, "cache-control": "no-store" });
  response.end(await registry.metrics());
}

function isSame(given: string, token: string): boolean {
  const [one, other] = [Buffer.from(given), Buffer.from(token)];
  return one.length === other.length && timingSafeEqual(one, other);
}

async function readQueue(): Promise<void> {
  try {
    const at = now();
    const queue = await within(PATIENCE, queueState(database(), at, new Date(at.getTime() - ALIVE)));
    for (const state of ["waiting", "running", "dead"] as const) jobs.set({ state }, queue[state]);
    late.set(queue.late);
    up.set(1);
  } catch {
    up.set(0);
  }
}
