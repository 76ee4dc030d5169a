import { readFileSync } from "node:fs";
import http, { type IncomingMessage } from "node:http";
import type { Actor } from "@/mechanism/actor";
import { as, fillCollection } from "./fill";
import type { Figure } from "./figures";

const LISTENERS = 1_000;
const AT_ONCE = 50;

/** What a process of the application holds in memory, in MB (VmRSS of proc(5)). */
const megabytesOf = (pid: string) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))![1]) / 1024;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A thousand who listen to one team: what they take, and how soon all of them hear of a change. */
export async function measureListeners(
  actor: Actor,
  team: string,
  resources: string[],
  { base, pid }: { base: string; pid: string },
): Promise<Figure[]> {
  const collection = await fillCollection(actor, team, "Listened to", resources.slice(0, 10));
  const { token } = await as(actor, "tokens.make", { name: "listeners" });
  const open: IncomingMessage[] = [];
  const listen = (hear: (text: string) => void) =>
    new Promise<void>((resolve, reject) => {
      const headers = { authorization: `Bearer ${token}` };
      http
        .get(`${base}/api/live?team=${team}`, { headers, agent: false }, (answer) => {
          if (answer.statusCode !== 200)
            return reject(new Error(`a stream was refused: ${answer.statusCode}`));
          open.push(answer);
          answer.setEncoding("utf8").on("data", hear);
          resolve();
        })
        .on("error", reject);
    });
  await listen(() => undefined);
  await pause(3_000);
  const before = megabytesOf(pid);
  const words = "Heard by all";
  const heard: number[] = [];
  let from = Infinity;
  for (let i = 0; i < LISTENERS; i += AT_ONCE)
    await Promise.all(
      Array.from({ length: AT_ONCE }, () =>
        listen((text) => text.includes(`"subject":"${collection}"`) && heard.push(performance.now() - from)),
      ),
    );
  await pause(3_000);
  const more = megabytesOf(pid) - before;
  heard.length = 0;
  from = performance.now();
  await as(actor, "collections.edit", { collection, title: words });
  for (let i = 0; i < 100 && heard.length < LISTENERS; i++) await pause(50);
  const last = Math.max(...heard);
  for (const stream of open) stream.destroy();
  return [
    {
      what: `${LISTENERS} who listen to one team, in one process: memory they take`,
      measured: `${Math.round(more)} MB`,
      aim: "under 150 MB",
      met: more < 150,
    },
    {
      what: "A change in another process until all of them have heard of it",
      measured: `${heard.length} of ${LISTENERS} in ${Math.round(last)} ms`,
      aim: "all within 1 s",
      met: heard.length === LISTENERS && last < 1_000,
    },
  ];
}
