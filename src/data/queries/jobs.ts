import { and, eq, gte, inArray, lt, lte, sql } from "drizzle-orm";
import type { Database, Tx } from "../database";
import { job, worker } from "../schema";
import { transact } from "../transaction";

export type JobRow = typeof job.$inferSelect;
export type NewJob = {
  id: string;
  kind: string;
  payload: Record<string, unknown>;
  team?: string | null;
  uniqueKey?: string | null;
  runAt?: Date;
  priority?: number;
  createdAt: Date;
};

/** Puts jobs in the queue; one whose key waits there already is left as it is, a dead one lives again. */
export async function addJobs(tx: Tx, jobs: readonly NewJob[]): Promise<void> {
  for (let i = 0; i < jobs.length; i += 500)
    await tx
      .insert(job)
      .values(
        jobs.slice(i, i + 500).map((j) => ({ ...j, state: "ready" as const, runAt: j.runAt ?? j.createdAt })),
      )
      .onDuplicateKeyUpdate({
        set: {
          attempts: sql`if(state = 'dead', 0, attempts)`,
          runAt: sql`if(state = 'dead', values(run_at), run_at)`,
          state: sql`if(state = 'dead', 'ready', state)`,
        },
      });
}

/** From this priority on work came in by the hundred. */
export const BULK = 5;

/**
 * Claims up to `most` jobs whose time has come. Rows another worker is claiming are passed over, so no two workers
 * get the same one.
 * @param which what somebody waits for, or what came in by the hundred
 * @param at jobs are claimed that were to run by then
 * @param leaseUntil until when they are held, unless the lease is renewed
 */
export async function claimJobs(
  database: Database,
  by: string,
  which: "awaited" | "bulk",
  most: number,
  at: Date,
  leaseUntil: Date,
): Promise<JobRow[]> {
  return transact(database, async (tx) => {
    const rows = await tx
      .select()
      .from(job)
      .where(
        and(
          eq(job.state, "ready"),
          which === "bulk" ? gte(job.priority, BULK) : lt(job.priority, BULK),
          lte(job.runAt, at),
        ),
      )
      .orderBy(job.priority, job.runAt, job.id)
      .limit(most)
      .for("update", { skipLocked: true });
    if (rows.length)
      await tx
        .update(job)
        .set({ state: "running", leasedBy: by, leaseUntil, attempts: sql`${job.attempts} + 1` })
        .where(
          inArray(
            job.id,
            rows.map((row) => row.id),
          ),
        );
    return rows.map((row) => ({ ...row, attempts: row.attempts + 1 }));
  });
}

/**
 * Gives back to the queue what workers held that are no more.
 * @param at now: leases that ran out before it are lost
 * @returns how many
 */
export async function takeUpLost(tx: Tx, at: Date): Promise<number> {
  const [result] = await tx
    .update(job)
    .set({ state: "ready", leasedBy: null, leaseUntil: null, runAt: at })
    .where(and(eq(job.state, "running"), lt(job.leaseUntil, at)));
  return (result as unknown as { affectedRows: number }).affectedRows;
}

/**
 * Holds on to running jobs a while longer.
 * @param by the worker
 * @param until when the leases run out next
 */
export async function renewLeases(tx: Tx, by: string, until: Date): Promise<void> {
  await tx
    .update(job)
    .set({ leaseUntil: until })
    .where(and(eq(job.state, "running"), eq(job.leasedBy, by)));
}

/** A job is done: it leaves the queue, if this worker still holds it. */
export async function finishJob(tx: Tx, id: string, by: string): Promise<void> {
  await tx.delete(job).where(and(eq(job.id, id), eq(job.leasedBy, by)));
}

/** A job failed: it waits until `runAt`, or is dead when that is null. */
export async function failJob(
  tx: Tx,
  id: string,
  by: string,
  error: string,
  runAt: Date | null,
): Promise<void> {
  await tx
    .update(job)
    .set({
      state: runAt ? "ready" : "dead",
      error: error.slice(0, 2000),
      leasedBy: null,
      leaseUntil: null,
      ...(runAt && { runAt }),
    })
    .where(and(eq(job.id, id), eq(job.leasedBy, by)));
}

/** Dead jobs of a team. */
export async function deadJobs(tx: Tx, team: string) {
  return tx
    .select({
      id: job.id,
      kind: job.kind,
      error: job.error,
      attempts: job.attempts,
      createdAt: job.createdAt,
    })
    .from(job)
    .where(and(eq(job.team, team), eq(job.state, "dead")))
    .limit(100);
}

/** Puts a dead job back in the queue with all its tries. */
export async function reviveJob(tx: Tx, id: string, at: Date): Promise<void> {
  await tx
    .update(job)
    .set({ state: "ready", attempts: 0, runAt: at, error: null })
    .where(and(eq(job.id, id), eq(job.state, "dead")));
}

/** Says that a worker lives. */
export async function seeWorker(tx: Tx, id: string, at: Date): Promise<void> {
  await tx
    .insert(worker)
    .values({ id, startedAt: at, seenAt: at })
    .onDuplicateKeyUpdate({ set: { seenAt: at } });
}

/** A worker that ended by itself is looked for no more. */
export async function forgetWorker(tx: Tx, id: string): Promise<void> {
  await tx.delete(worker).where(eq(worker.id, id));
}

/** Workers seen since a moment, and what waits or is dead. */
export async function queueState(tx: Tx, since: Date) {
  const [live] = await tx
    .select({ n: sql<number>`count(*)` })
    .from(worker)
    .where(gte(worker.seenAt, since));
  const counts = await tx
    .select({ state: job.state, n: sql<number>`count(*)` })
    .from(job)
    .groupBy(job.state);
  const of = (state: string) => Number(counts.find((row) => row.state === state)?.n ?? 0);
  return { workers: Number(live?.n ?? 0), waiting: of("ready"), running: of("running"), dead: of("dead") };
}
