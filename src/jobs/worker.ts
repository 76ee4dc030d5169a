import {
  claimJobs,
  failJob,
  finishJob,
  forgetWorker,
  type JobRow,
  renewLeases,
  seeWorker,
  takeUpLost,
} from "@/data/queries/jobs";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { newId } from "@/outside/random";
import { onSignal } from "@/outside/signals";
import type { JobKind } from "./job-kind";

const AT_ONCE = 16;
/** So many of them at the most are work that came in by the hundred. */
const BULK_AT_ONCE = 12;
/** When so many have ended, more are claimed. */
const ROOM = 4;
const IDLE = 500;
const LEASE = 30_000;
const BEAT = 5_000;
const TRIES = 5;
const FIRST_PAUSE = 2_000;

const later = (ms: number) => new Date(now().getTime() + ms);

/**
 * Does the jobs in the queue. What it claims is leased to it; while it lives it renews the lease, and what a dead
 * worker held goes back to the queue when the lease runs out. A job that throws waits longer each time and is
 * given up, visibly, after five tries.
 */
export class Worker {
  readonly id = newId();
  readonly #kinds: Record<string, JobKind>;
  readonly #running = new Set<Promise<void>>();
  #bulk = 0;
  #stopped = false;
  #wake = () => {};
  #beat: ReturnType<typeof setInterval> | undefined;
  #unlisten = () => {};

  constructor(kinds: Record<string, JobKind>) {
    this.#kinds = kinds;
  }

  async start(): Promise<void> {
    await seeWorker(database(), this.id, now());
    this.#beat = setInterval(() => void this.#live(), BEAT);
    this.#unlisten = onSignal("jobs", () => this.#wake());
    void this.#loop();
  }

  /** Takes no more jobs, and waits for those that run. */
  async stop(): Promise<void> {
    this.#stopped = true;
    clearInterval(this.#beat);
    this.#unlisten();
    this.#wake();
    await Promise.allSettled(this.#running);
    await forgetWorker(database(), this.id).catch(() => undefined);
  }

  async #live(): Promise<void> {
    try {
      await seeWorker(database(), this.id, now());
      await renewLeases(database(), this.id, later(LEASE));
      const lost = await takeUpLost(database(), now());
      if (lost) log.warn({ lost }, "took up jobs of a worker that is gone");
    } catch (error) {
      log.warn({ err: error }, "worker could not reach the database");
    }
  }

  async #loop(): Promise<void> {
    while (!this.#stopped) {
      let got = 0;
      try {
        got = await this.#claim();
      } catch (error) {
        log.warn({ err: error }, "worker could not claim jobs");
      }
      if (this.#stopped) return;
      // Whatever ends makes room; whatever is enqueued wakes.
      if (!got || this.#running.size >= AT_ONCE) await this.#sleep();
    }
  }

  /** Takes up what there is room for. What came in by the hundred leaves room for what somebody waits for. */
  async #claim(): Promise<number> {
    const free = AT_ONCE - this.#running.size;
    if (free <= 0) return 0;
    const claim = async (which: "awaited" | "bulk", most: number): Promise<JobRow[]> =>
      most > 0 ? claimJobs(database(), this.id, which, most, now(), later(LEASE)) : [];
    const awaited = await claim("awaited", free);
    const bulk = await claim("bulk", Math.min(free - awaited.length, BULK_AT_ONCE - this.#bulk));
    for (const job of [...awaited, ...bulk]) {
      const isBulk = bulk.includes(job);
      if (isBulk) this.#bulk++;
      const run = this.#run(job);
      this.#running.add(run);
      void run.finally(() => {
        this.#running.delete(run);
        if (isBulk) this.#bulk--;
        // Claiming for each one that ends would take longer than many of them.
        if (this.#running.size <= AT_ONCE - ROOM || !this.#running.size) this.#wake();
      });
    }
    return awaited.length + bulk.length;
  }

  #sleep(): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, IDLE);
      this.#wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }

  async #run(job: JobRow): Promise<void> {
    const kind = this.#kinds[job.kind];
    try {
      if (!kind) throw new Error(`no job is called ${job.kind}`);
      await kind.run(job.payload);
      await finishJob(database(), job.id, this.id);
    } catch (error) {
      const last = job.attempts >= TRIES;
      log.warn(
        { err: error, job: job.id, kind: job.kind, attempts: job.attempts },
        last ? "a job was given up" : "a job failed",
      );
      const message = error instanceof Error ? error.message : String(error);
      // 2 s, 8 s, 32 s, 128 s
      const again = last ? null : later(FIRST_PAUSE * 4 ** (job.attempts - 1));
      await failJob(database(), job.id, this.id, message, again).catch(() => undefined);
      if (last) await kind?.givenUp?.(job.payload).catch(() => undefined);
    }
  }
}
