import { eq } from "drizzle-orm";
import { afterEach, expect, test } from "vitest";
import { addJobs, claimJobs } from "@/data/queries/jobs";
import { job } from "@/data/schema";
import type { JobKind } from "@/jobs/job-kind";
import { Worker } from "@/jobs/worker";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { as, makeWorld } from "./world";

const workers: Worker[] = [];
afterEach(async () => {
  await Promise.all(workers.splice(0).map((worker) => worker.stop()));
});
async function work(kinds: Record<string, JobKind>) {
  const worker = new Worker(kinds);
  workers.push(worker);
  await worker.start();
}
async function until<T>(look: () => Promise<T | null | undefined | false>, seconds = 20): Promise<T> {
  for (let i = 0; i < seconds * 20; i++) {
    const found = await look();
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error("it did not come about");
}
const put = async (kind: string, more: object = {}) => {
  const id = newId();
  await addJobs(database(), [{ id, kind, payload: { id }, createdAt: new Date(), ...more }]);
  return id;
};
const state = async (id: string) => (await database().select().from(job).where(eq(job.id, id)))[0];

test("200 jobs and three workers: each is done once", async () => {
  const kind = `test.${newId()}`;
  const done: string[] = [];
  const ids = await Promise.all(Array.from({ length: 200 }, () => put(kind)));
  for (let i = 0; i < 3; i++) await work({ [kind]: { run: async ({ id }) => void done.push(String(id)) } });
  await until(async () => done.length >= ids.length);
  // Whatever was begun is done then; nothing may have been begun twice.
  await Promise.all(workers.splice(0).map((worker) => worker.stop()));
  expect(done.sort()).toEqual(ids.sort());
});

test("a job whose worker died is taken up again when its lease runs out", async () => {
  const kind = `test.${newId()}`;
  const id = await put(kind);
  // A worker claims it and is never heard of again.
  await database()
    .update(job)
    .set({ state: "running", leasedBy: newId(), leaseUntil: new Date(Date.now() - 1), attempts: 1 })
    .where(eq(job.id, id));
  let done = false;
  await work({ [kind]: { run: async () => void (done = true) } });
  await until(async () => done);
  expect(await until(async () => !(await state(id)))).toBe(true);
});

test("a job that fails waits longer each time, ends dead and visible, and can be retried by an owner", async () => {
  const world = await makeWorld();
  const kind = `test.${newId()}`;
  const id = await put(kind, { team: world.team });
  let fail = true;
  let given = 0;
  await work({
    [kind]: {
      run: async () => {
        if (fail) throw new Error("no luck");
      },
      givenUp: async () => void given++,
    },
  });
  const waits: number[] = [];
  for (let attempt = 1; attempt < 5; attempt++) {
    const row = await until(async () => {
      const now = await state(id);
      return now?.state === "ready" && now.attempts === attempt ? now : null;
    });
    waits.push(row.runAt.getTime() - Date.now());
    await database().update(job).set({ runAt: new Date() }).where(eq(job.id, id));
  }
  expect(await until(async () => (await state(id))?.state === "dead" && state(id))).toMatchObject({
    attempts: 5,
    error: "no luck",
  });
  expect(waits.every((wait, i) => i === 0 || wait > waits[i - 1]! * 2)).toBe(true);
  expect(given).toBe(1);
  expect((await as(world.owner, "jobs.dead", { team: world.team })).jobs).toMatchObject([
    { id, error: "no luck" },
  ]);
  fail = false;
  await as(world.owner, "jobs.retry", { job: id });
  await until(async () => !(await state(id)));
});

test("two with one key are one, and two claims at once never share a row", async () => {
  const kind = `test.${newId()}`;
  const key = newId();
  await put(kind, { uniqueKey: key });
  await put(kind, { uniqueKey: key });
  expect(await database().select().from(job).where(eq(job.uniqueKey, key))).toHaveLength(1);
  await Promise.all(Array.from({ length: 40 }, () => put(kind)));
  const lease = new Date(Date.now() + 60_000);
  const claims = await Promise.all(
    Array.from({ length: 6 }, () => claimJobs(database(), newId(), "awaited", 10, new Date(), lease)),
  );
  const ids = claims.flat().map((row) => row.id);
  expect(new Set(ids).size).toBe(ids.length);
  await database().delete(job).where(eq(job.kind, kind));
});
