import {
  claimJobs,
  failJob,
  finishJob,
  forgetWorker,
  giveBackJobs,
  type JobRow,
  renewLeases,
  seeWorker,
  takeUpLost,
} from "@/data/queries/jobs";
import { patiently, within } from "@/data/transaction";
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
/** How long a job that failed waits for each next try, in milliseconds, where its kind says nothing else. */
const PAUSES = [2_000, 8_000, 32_000, 128_000];
/** How long it is tried to write down what became of a job, in milliseconds; then its lease runs out. */
const WRITTEN_WITHIN = 20_000;

const later = (ms: number) => new Date(now().getTime() + ms);

/**
 * Does the jobs in the queue. What it claims is leased to it; while it lives it renews the lease, and what a dead
 * worker held goes back to the queue when the lease runs out. A job that throws, or ends its process, waits longer each
 * time and is given up, visibly, after all its tries.
 */
export class Worker {
  readonly id = newId();
  readonly #kinds: Record<string, JobKind>;
  readonly #running = new Map<string, Promise<void>>();
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

  /**
   * Takes no more jobs, and waits for those that run.
   * @param patience how long, in milliseconds; what runs longer is given back to the queue
   */
  async stop(patience = Infinity): Promise<void> {
    this.#stopped = true;
    this.#unlisten();
    this.#wake();
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<"late">((resolve) => {
      if (patience < Infinity) timer = setTimeout(() => resolve("late"), patience);
    });
    const done = await Promise.race([Promise.allSettled([...this.#running.values()]), late]);
    clearTimeout(timer);
    clearInterval(this.#beat);
    if (done === "late") {
      const given = await giveBackJobs(database(), this.id, now()).catch(() => 0);
      log.warn({ given }, "gave back jobs that would have taken longer");
    }
    await forgetWorker(database(), this.id).catch(() => undefined);
  }

  async #live(): Promise<void> {
    try {
      await seeWorker(database(), this.id, now());
      await renewLeases(database(), this.id, [...this.#running.keys()], later(LEASE));
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
      this.#running.set(job.id, run);
      void run.finally(() => {
        this.#running.delete(job.id);
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
    const pauses = kind?.pauses ?? PAUSES;
    try {
      if (!kind) throw new Error(`no job is called ${job.kind}`);
      // Each time before, whoever did it ended with it.
      if (job.attempts > pauses.length + 1) throw new Error("it ended the process that did it, each time");
      await kind.run(job.payload, job.attempts);
    } catch (error) {
      return this.#failed(job, error, pauses[job.attempts - 1]);
    }
    await this.#write(job, () => finishJob(database(), job.id, this.id, now()));
  }

  async #failed(job: JobRow, error: unknown, pause: number | undefined): Promise<void> {
    const last = pause === undefined;
    log[last ? "error" : "warn"](
      { err: error, job: job.id, kind: job.kind, attempts: job.attempts },
      last ? "a job was given up" : "a job failed",
    );
    const message = error instanceof Error ? error.message : String(error);
    await this.#write(job, () => failJob(database(), job.id, this.id, message, last ? null : later(pause)));
    if (last) await this.#kinds[job.kind]?.givenUp?.(job.payload).catch(() => undefined);
  }

  /** Writes down what became of a job. While that cannot be done its lease is not renewed, so it is not stuck. */
  async #write(job: JobRow, write: () => Promise<void>): Promise<void> {
    await within(WRITTEN_WITHIN, patiently(write)).catch((error: unknown) =>
      log.warn({ err: error, job: job.id }, "what became of a job could not be written down"),
    );
  }
}
