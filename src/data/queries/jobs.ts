import { and, eq, gte, inArray, isNotNull, lt, lte, min, or, sql } from "drizzle-orm";
import type { Database, Tx } from "../database";
import { job, worker } from "../schema";
import { inParts } from "../sql/by-keys";
import { changeRows } from "../sql/query-rows";
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

/**
 * Puts jobs in the queue. Of those with one key there is one: what each was asked for comes together in its payload, it
 * runs as soon as the most urgent wants, one that runs is run again afterwards, and a dead one lives again.
 */
export async function addJobs(tx: Tx, jobs: readonly NewJob[]): Promise<void> {
  await inParts(
    jobs,
    (part) => {
      const rows = part.map(
        (one) =>
          sql`(${one.id}, ${one.kind}, ${one.uniqueKey ?? null}, ${one.team ?? null}, ${JSON.stringify(one.payload)}, 'ready', ${one.priority ?? 0}, ${one.runAt ?? one.createdAt}, ${one.createdAt})`,
      );
      // What each assignment reads is not assigned before it.
      return tx.execute(sql`
        INSERT INTO job (id, kind, unique_key, team, payload, state, priority, run_at, created_at)
        VALUES ${sql.join(rows, sql`, `)}
        ON DUPLICATE KEY UPDATE
          payload = JSON_MERGE_PATCH(payload, VALUES(payload)),
          priority = LEAST(priority, VALUES(priority)),
          again = again OR state = 'running',
          attempts = IF(state = 'dead', 0, attempts),
          run_at = IF(state = 'dead', VALUES(run_at), LEAST(run_at, VALUES(run_at))),
          state = IF(state = 'dead', 'ready', state)`);
    },
    500,
  );
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
 * @param ids of the jobs it really runs: what it could not write back goes to the queue again
 * @param until when the leases run out next
 */
export async function renewLeases(tx: Tx, by: string, ids: readonly string[], until: Date): Promise<void> {
  if (ids.length)
    await tx
      .update(job)
      .set({ leaseUntil: until })
      .where(and(inArray(job.id, [...ids]), eq(job.state, "running"), eq(job.leasedBy, by)));
}

/** A job is done: it leaves the queue, if this worker still holds it; asked for again, it is to be run at once. */
export async function finishJob(tx: Tx, id: string, by: string, at: Date): Promise<void> {
  const held = and(eq(job.id, id), eq(job.leasedBy, by));
  await tx.delete(job).where(and(held, eq(job.again, false)));
  await tx
    .update(job)
    .set(atOnce(at))
    .where(and(held, eq(job.again, true)));
}

/** A job as it is to be run at once, with all its tries. */
const atOnce = (at: Date) => ({
  state: "ready" as const,
  attempts: 0,
  again: false,
  runAt: at,
  leasedBy: null,
  leaseUntil: null,
});

/** Gives back what a worker holds that ends, as if it had not been begun. @returns how many */
export const giveBackJobs = (tx: Tx, by: string, at: Date): Promise<number> =>
  changeRows(
    tx,
    sql`UPDATE job SET state = 'ready', leased_by = NULL, lease_until = NULL, run_at = ${at},
      attempts = GREATEST(attempts - 1, 0) WHERE state = 'running' AND leased_by = ${by}`,
  );

/** A job failed: it waits until `runAt`, or is dead when that is null. */
export async function failJob(
  tx: Tx,
  id: string,
  by: string,
  error: string,
  runAt: Date | null,
): Promise<void> {
  const held = and(eq(job.id, id), eq(job.leasedBy, by));
  // Asked for again, it may be asked for something else.
  if (runAt)
    await tx
      .update(job)
      .set(atOnce(runAt))
      .where(and(held, eq(job.again, true)));
  await tx
    .update(job)
    .set({
      state: runAt ? "ready" : "dead",
      again: false,
      error: error.slice(0, 2000),
      leasedBy: null,
      leaseUntil: null,
      ...(runAt && { runAt }),
    })
    .where(held);
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
export async function queueState(tx: Tx, at: Date, since: Date) {
  const [live] = await tx
    .select({ n: sql<number>`count(*)` })
    .from(worker)
    .where(gte(worker.seenAt, since));
  const counts = await tx
    .select({ state: job.state, n: sql<number>`count(*)` })
    .from(job)
    .groupBy(job.state);
  const of = (state: string) => Number(counts.find((row) => row.state === state)?.n ?? 0);
  const [oldest] = await tx
    .select({ at: min(job.runAt) })
    .from(job)
    .where(and(eq(job.state, "ready"), lt(job.runAt, at)));
  const [letters] = await tx
    .select({ n: sql<number>`count(*)` })
    .from(job)
    .where(and(eq(job.kind, "messages.send"), or(eq(job.state, "dead"), isNotNull(job.error))));
  return {
    /** How long what should have been done by now has waited, in seconds. */
    late: oldest?.at ? Math.max(0, Math.round((at.getTime() - oldest.at.getTime()) / 1000)) : 0,
    /** Letters that could not be sent, dead ones and those that are tried again. */
    letters: Number(letters?.n ?? 0),
    workers: Number(live?.n ?? 0),
    waiting: of("ready"),
    running: of("running"),
    dead: of("dead"),
  };
}
