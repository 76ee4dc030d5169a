import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { spawn, type ChildProcess } from "node:child_process";
import { and, eq, isNull, sql } from "drizzle-orm";
import mysql, { type RowDataPacket } from "mysql2/promise";
import { build } from "esbuild";
import { beforeAll, expect, onTestFinished, test } from "vitest";
import { bareLine, type BroughtLine } from "@/core/imports/brought";
import { takeUpLost } from "@/data/queries/jobs";
import { intake, job, newsletterReader, placement, resource } from "@/data/schema";
import { KINDS } from "@/jobs/kinds";
import { Worker } from "@/jobs/worker";
import { database } from "@/mechanism/changing";
import { newCode, newId } from "@/outside/random";
import { stage } from "./bring";
import { mailServer } from "./smtp";
import { as, makeWorld } from "./world";

/** The tool that starts a database of one's own is no TypeScript. */
type Own = { url: string; entry: { child: ChildProcess } };
const { startDatabase } = (await import(new URL("../../tools/lib/mariadb.mjs", import.meta.url).href)) as {
  startDatabase: (wanted: { folder: string; port: number }) => Promise<Own>;
};

const LINES = 4_000;
const line = (i: number): BroughtLine =>
  bareLine(`https://killed.example/${i}`, {
    title: `Page ${i}`,
    tagText: i % 3 ? "bog" : "bog, water table",
  });

/** What runs in processes of their own, as one file each: what starts from the sources takes seconds before it begins. */
const BUNDLES = path.resolve("build/test");
beforeAll(async () => {
  await build({
    entryPoints: ["src/front/worker.ts", "tests/integration/import-alone.ts"],
    outdir: BUNDLES,
    outbase: ".",
    outExtension: { ".js": ".mjs" },
    bundle: true,
    packages: "external",
    platform: "node",
    format: "esm",
    target: "node20.10",
    alias: { "@": path.resolve("src") },
    logLevel: "error",
  });
});

/** A process of its own that does jobs, as `npm run worker` does. */
function worker(more: Record<string, string> = {}): ChildProcess {
  return spawn(process.execPath, [path.join(BUNDLES, "src/front/worker.mjs")], {
    env: { ...process.env, HOBBIN_MAIL_IN: "off", ...more },
    stdio: "ignore",
    detached: true,
  });
}

/** The lease of a dead worker runs out by itself; a test need not wait for it. */
async function letLeasesRunOut(): Promise<void> {
  await database()
    .update(job)
    .set({ leaseUntil: new Date(0) })
    .where(eq(job.state, "running"));
  await takeUpLost(database(), new Date());
}

test("an import whose process is killed again and again (kill -9) neither loses nor doubles a line", async () => {
  const { editor, team, collection: into } = await makeWorld();
  const lines = Array.from({ length: LINES }, (_, i) => line(i));
  const id = await stage(
    editor,
    { team, into },
    "Killed",
    { places: [], lines, passedOver: [], separator: "comma" },
    300,
  );
  await as(editor, "imports.set", { import: id, transition: "start" });
  const done = async () =>
    (
      await database()
        .select({ done: intake.done, state: intake.state })
        .from(intake)
        .where(eq(intake.id, id))
    )[0]!;

  let kills = 0;
  for (let last = 0; kills < 3;) {
    const running = worker();
    // Killed in the middle of its work: as soon as it has done a little more.
    for (let i = 0; i < 600; i++) {
      const now = await done();
      if (now.state === "done" || now.done > last + 300) break;
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
    process.kill(-running.pid!, "SIGKILL");
    await new Promise((resolve) => running.once("exit", resolve));
    last = (await done()).done;
    if ((await done()).state === "done") break;
    kills++;
    await letLeasesRunOut();
  }
  expect(kills).toBeGreaterThan(0);
  const rest = new Worker({ "imports.run": KINDS["imports.run"]! });
  await rest.start();
  for (let i = 0; i < 400 && (await done()).state !== "done"; i++)
    await new Promise((resolve) => setTimeout(resolve, 50));
  await rest.stop();

  const { import: end } = await as(editor, "imports.read", { import: id });
  expect(end).toMatchObject({ state: "done", done: LINES, made: LINES, placed: 0, here: 0, rejected: 0 });
  const count = async (table: typeof resource | typeof placement) =>
    Number(
      (
        await database()
          .select({ n: sql<number>`count(*)` })
          .from(table)
          .where(and(eq(table.team, team), isNull(table.deletedAt)))
      )[0]!.n,
    );
  // One of each was there before.
  expect([await count(resource), await count(placement)]).toEqual([LINES + 1, LINES + 1]);
  const { items } = await as(editor, "collections.items", { collection: into });
  expect(items.slice(1, 4).map((item) => item.resource.title)).toEqual(["Page 0", "Page 1", "Page 2"]);
});

/** Waits until the import in this database has done some lines. */
async function untilBegun(url: string): Promise<void> {
  const connection = await mysql.createConnection(url);
  for (let done = 0; !done;) {
    const [rows] = await connection.query<RowDataPacket[]>("SELECT done FROM import");
    done = Number(rows[0]?.done ?? 0);
    if (!done) await new Promise((resolve) => setTimeout(resolve, 10));
  }
  connection.destroy();
}

test("the same when the database is killed: what was not finished is done anew, and nothing twice", async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-killed-"));
  // Below the ports connections are given by themselves.
  const port = 21_000 + (process.pid % 1000);
  let database = await startDatabase({ folder, port });
  // Also when it failed: no database stays behind.
  onTestFinished(async () => {
    const { child } = database.entry;
    const over = new Promise((resolve) => child.once("exit", resolve));
    if (child.exitCode === null && child.signalCode === null && child.kill("SIGTERM")) await over;
    rmSync(folder, { recursive: true, force: true });
  });
  const env = {
    ...process.env,
    HOBBIN_DATABASE_URL: database.url,
    HOBBIN_MAIL_IN: "off",
    HOBBIN_WORKER: "on",
  };
  const run = (what: string, ...rest: string[]) =>
    spawn(process.execPath, [path.join(BUNDLES, "tests/integration/import-alone.mjs"), what, ...rest], {
      env,
      stdio: ["ignore", "pipe", "inherit"],
    });
  const said = async (child: ReturnType<typeof run>) => {
    let text = "";
    for await (const part of child.stdout!) text += String(part);
    return text.trim().split("\n").at(-1)!;
  };
  const id = await said(run("stage", String(LINES)));
  const running = run("run", id);
  const over = new Promise<void>((resolve) => running.once("exit", () => resolve()));
  await untilBegun(database.url);
  process.kill(database.entry.child.pid!, "SIGKILL");
  await over;
  database = await startDatabase({ folder, port });
  const half = JSON.parse(await said(run("count", id))) as { done: number };
  expect(half.done).toBeLessThan(LINES);
  await said(run("run", id));
  expect(JSON.parse(await said(run("count", id)))).toEqual({
    state: "done",
    done: LINES,
    made: LINES,
    resources: LINES,
    placements: LINES,
  });
});

test("a newsletter whose process is killed in the middle (kill -9) reaches everybody, each by one Message-ID", async () => {
  const { editor, collection } = await makeWorld();
  const port = 22_500 + (process.pid % 1000);
  const server = await mailServer(port);
  onTestFinished(server.stop);
  await as(editor, "collections.use", { collection, use: "newsletter" });
  await as(editor, "newsletters.write", { collection, subject: "Water", greeting: "Hello" });
  const addresses = Array.from({ length: 200 }, (_, i) => `reader-${i}@moss.example`);
  await database()
    .insert(newsletterReader)
    .values(
      addresses.map((address) => ({
        ...{ id: newId(), collection, address, token: newCode(), state: "confirmed" as const },
        createdAt: new Date(),
      })),
    );
  // What other tests left to be done is not what this one waits for.
  await database().delete(job);
  const smtp = { HOBBIN_SMTP: `smtp://127.0.0.1:${port}` };
  await as(editor, "newsletters.send", { collection, issue: newId() });
  for (const until of [50, 110]) {
    const child = worker(smtp);
    onTestFinished(() => void child.kill("SIGKILL"));
    await expect.poll(() => server.came.length, { interval: 2 }).toBeGreaterThan(until);
    process.kill(-child.pid!, "SIGKILL");
    await new Promise((resolve) => child.once("exit", resolve));
    await letLeasesRunOut();
  }
  const last = worker(smtp);
  onTestFinished(() => void process.kill(-last.pid!, "SIGKILL"));
  const reached = () => new Set(server.came.map(({ to }) => to)).size;
  await expect.poll(reached).toBe(200);
  const names = new Set(server.came.map(({ mail }) => mail.messageId));
  expect(names.size).toBe(200);
  // At most the one that was on its way when it was killed came twice, as the same message.
  expect(server.came.length).toBeLessThanOrEqual(202);
});
