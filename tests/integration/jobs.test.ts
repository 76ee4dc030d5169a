import { eq } from "drizzle-orm";
import { afterEach, expect, test } from "vitest";
import { addJobs, claimJobs } from "@/data/queries/jobs";
import { job, resource as page } from "@/data/schema";
import { KINDS } from "@/jobs/kinds";
import type { JobKind } from "@/jobs/job-kind";
import { Worker } from "@/jobs/worker";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { unseal } from "@/outside/seal";
import { auth } from "@/services/accounts/auth";
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

test("asked for again while one waits, both wishes are one job; while it runs, it runs again with both", async () => {
  const kind = `test.${newId()}`;
  const key = newId();
  const wish = (payload: object, more: object = {}) => put(kind, { uniqueKey: key, payload, ...more });
  const runs: Record<string, unknown>[] = [];
  let release = () => undefined as void;
  await wish({ a: 1 }, { priority: 5, runAt: new Date(Date.now() + 3_600_000) });
  await wish({ b: 2 });
  await work({
    [kind]: {
      run: async (payload) => {
        runs.push(payload);
        if (runs.length === 1) await new Promise<void>((resolve) => (release = resolve));
      },
    },
  });
  await until(async () => runs.length === 1);
  await wish({ c: 3 });
  await wish({ c: 4 });
  release();
  await until(async () => runs.length === 2);
  expect(runs).toEqual([
    { a: 1, b: 2 },
    { a: 1, b: 2, c: 4 },
  ]);
  await until(async () => !(await database().select().from(job).where(eq(job.uniqueKey, key))).length);
});

test("a dead job that is asked for again has all its tries", async () => {
  const kind = `test.${newId()}`;
  const key = newId();
  const id = await put(kind, { uniqueKey: key });
  await database().update(job).set({ state: "dead", attempts: 5 }).where(eq(job.id, id));
  await put(kind, { uniqueKey: key });
  expect(await state(id)).toMatchObject({ state: "ready", attempts: 0 });
  await database().delete(job).where(eq(job.id, id));
});

test("a job that ends its process each time is dead after five, not tried for ever", async () => {
  const kind = `test.${newId()}`;
  const id = await put(kind);
  // Five workers had it and are gone with it.
  const gone = { state: "running" as const, leasedBy: newId(), leaseUntil: new Date(Date.now() - 1) };
  await database()
    .update(job)
    .set({ ...gone, attempts: 5 })
    .where(eq(job.id, id));
  let ran = false;
  await work({ [kind]: { run: async () => void (ran = true) } });
  const dead = await until(async () => (await state(id))?.state === "dead" && state(id));
  expect([dead!.error, ran]).toEqual(["it ended the process that did it, each time", false]);
});

test("a worker that ends gives back what would take longer, with all its tries", async () => {
  const kind = `test.${newId()}`;
  const id = await put(kind);
  let begun = false;
  await work({ [kind]: { run: () => new Promise(() => void (begun = true)) } });
  await until(async () => begun);
  await workers.splice(0)[0]!.stop(50);
  expect(await state(id)).toMatchObject({ state: "ready", attempts: 0, leasedBy: null });
});

test("a page somebody kept as they saw it is read, also while its address waits to be fetched", async () => {
  const { editor, team } = await makeWorld();
  const address = `https://seen.example/${newId()}`;
  const { resource } = await as(editor, "capture.address", { team, address });
  await as(editor, "capture.page", { team, address, html: "<title>As it was seen</title><p>Words</p>" });
  const [waiting, ...more] = await database()
    .select()
    .from(job)
    .where(eq(job.uniqueKey, `resource.fetch:${resource.id}`));
  expect(more).toEqual([]);
  await KINDS["resource.fetch"]!.run(waiting!.payload);
  const read = await as(editor, "resources.read", { resource: resource.id });
  expect(read.resource.title).toBe("As it was seen");
  // Read again it is read from its address.
  await as(editor, "resources.fetch-again", { resource: resource.id });
  const [row] = await database().select().from(page).where(eq(page.id, resource.id));
  expect(row!.seenHash).toBeNull();
});

test("the link in a letter does not lie open in the queue, and the letter is tried for a day", async () => {
  const email = `${newId()}@bog.example`;
  await auth().api.signUpEmail({ body: { name: "Mira", email, password: "peat and moss 9" } });
  const letters = await database().select().from(job).where(eq(job.kind, "messages.send"));
  const mine = letters.filter(({ payload }) => unseal(String(payload.letter)).includes(email));
  expect(mine).toHaveLength(1);
  expect(JSON.stringify(mine[0]!.payload)).not.toMatch(/http|Mira|bog\.example/);
  expect(unseal(String(mine[0]!.payload.letter))).toContain("/api/auth/reset-password/");
  const day = KINDS["messages.send"]!.pauses!.reduce((sum, pause) => sum + pause, 0) / 3_600_000;
  expect(day).toBeGreaterThanOrEqual(24);
});
