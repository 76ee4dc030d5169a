import { afterAll, afterEach, beforeEach, expect, test, vi } from "vitest";
import type { JobRow } from "@/data/queries/jobs";

const queue = vi.hoisted(() => ({
  awaited: [] as JobRow[],
  bulk: [] as JobRow[],
  log: [] as string[],
}));
vi.mock("@/mechanism/changing", () => ({ database: () => null }));
vi.mock("@/outside/log", () => ({ log: { warn: () => undefined, error: () => undefined } }));
vi.mock("@/data/queries/jobs", () => ({
  seeWorker: async () => void queue.log.push("seen"),
  forgetWorker: async () => void queue.log.push("forgotten"),
  renewLeases: async () => undefined,
  takeUpLost: async () => 0,
  claimJobs: async (_: unknown, __: string, which: "awaited" | "bulk", most: number) =>
    queue[which].splice(0, most),
  finishJob: async (_: unknown, id: string) => void queue.log.push(`${id} done`),
  failJob: async (_: unknown, id: string, __: string, error: string, again: Date | null) =>
    void queue.log.push(`${id} ${error}: ${again ? `in ${again.getTime() - Date.now()} ms` : "given up"}`),
}));
const { Worker } = await import("./worker");
const { signal } = await import("@/outside/signals");

const job = (id: string, more: Partial<JobRow> = {}): JobRow =>
  ({ id, kind: "hold", payload: { id }, attempts: 1, ...more }) as JobRow;
const jobs = (count: number, name: string) => Array.from({ length: count }, (_, i) => job(`${name} ${i}`));

/** Jobs that go on until they are let go. */
const held = new Map<string, () => void>();
const givenUp: string[] = [];
const worker = () =>
  new Worker({
    hold: { run: ({ id }) => new Promise<void>((resolve) => held.set(String(id), resolve)) },
    fail: {
      run: async () => {
        throw new Error("no");
      },
      givenUp: async ({ id }) => void givenUp.push(String(id)),
    },
  });
/** Lets everything happen that needs no time, or so much of it. */
const pass = (ms = 0) => vi.advanceTimersByTimeAsync(ms);
const running = (name: string) => [...held.keys()].filter((id) => id.startsWith(name)).length;
const letGo = (name: string) => {
  for (const [id, end] of held)
    if (id.startsWith(name)) {
      held.delete(id);
      end();
    }
};

beforeEach(() => {
  vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout", "setInterval", "clearInterval", "Date"] });
  queue.awaited = [];
  queue.bulk = [];
  queue.log = [];
  held.clear();
  givenUp.length = 0;
});
afterEach(() => vi.useRealTimers());
afterAll(() => void vi.resetModules());

test("what came in by the hundred leaves room for what somebody waits for", async () => {
  queue.bulk = jobs(100, "bulk");
  const one = worker();
  await one.start();
  await pass();
  expect(running("bulk")).toBe(12);
  queue.awaited = jobs(3, "awaited");
  signal("jobs");
  await pass();
  expect([running("bulk"), running("awaited")]).toEqual([12, 3]);
  // However much is awaited, sixteen are done at once; the rest follows when there is room.
  queue.awaited.push(...jobs(6, "later"));
  signal("jobs");
  await pass();
  expect(running("later")).toBe(1);
  letGo("awaited");
  letGo("bulk 1");
  await pass(500);
  expect(running("later")).toBe(6);
  queue.bulk = [];
  const end = one.stop();
  letGo("");
  await end;
});

test("what is enqueued is begun at once when told, else within half a second", async () => {
  const one = worker();
  await one.start();
  await pass();
  queue.awaited = jobs(1, "told");
  signal("jobs");
  await pass();
  expect(running("told")).toBe(1);
  queue.awaited = jobs(1, "untold");
  await pass(499);
  expect(running("untold")).toBe(0);
  await pass(1);
  expect(running("untold")).toBe(1);
  letGo("");
  await one.stop();
  expect(queue.log).toContain("told 0 done");
});

test("a job that fails waits four times as long after each try, and is given up after the fifth", async () => {
  queue.awaited = [1, 2, 3, 4, 5].map((attempts) => job(`try ${attempts}`, { kind: "fail", attempts }));
  queue.awaited.push(job("unheard of", { kind: "nothing" }));
  const one = worker();
  await one.start();
  await pass();
  expect(queue.log.filter((line) => / no/.test(line)).toSorted()).toEqual([
    "try 1 no: in 2000 ms",
    "try 2 no: in 8000 ms",
    "try 3 no: in 32000 ms",
    "try 4 no: in 128000 ms",
    "try 5 no: given up",
    "unheard of no job is called nothing: in 2000 ms",
  ]);
  expect(givenUp).toEqual(["try 5"]);
  await one.stop();
});

test("who stops takes nothing more, and waits for what runs", async () => {
  queue.awaited = jobs(1, "last");
  const one = worker();
  await one.start();
  await pass();
  let ended = false;
  const end = one.stop().then(() => (ended = true));
  queue.awaited = jobs(1, "too late");
  signal("jobs");
  await pass(1_000);
  expect([ended, running("too late")]).toEqual([false, 0]);
  letGo("last");
  await end;
  expect(queue.log.slice(-2)).toEqual(["last 0 done", "forgotten"]);
});
