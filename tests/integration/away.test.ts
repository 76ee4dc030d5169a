import net from "node:net";
import { sql } from "drizzle-orm";
import { drizzle } from "drizzle-orm/mysql2";
import type { Pool } from "mysql2";
import { afterEach, beforeEach, expect, test } from "vitest";
import { connectionOf, openPool } from "@/data/connections";
import type { Database } from "@/data/database";
import { isAway, patiently, transact, Unknown } from "@/data/transaction";
import { settings } from "@/outside/settings";

/** A way to the database that can be cut, also at the moment certain words go through. */
async function wayTo(url: URL) {
  const sockets = new Set<net.Socket>();
  let open = true;
  let trap: { words: string; then: () => void } | null = null;
  const server = net.createServer((near) => {
    if (!open) return near.destroy();
    const far = net.connect(Number(url.port || 3306), url.hostname);
    for (const socket of [near, far]) {
      sockets.add(socket);
      socket
        .on("error", () => undefined)
        .on("close", () => (near.destroy(), far.destroy(), sockets.delete(socket)));
    }
    near.on("data", (chunk) => {
      if (trap && chunk.includes(trap.words)) {
        const { then } = trap;
        trap = null;
        return then();
      }
      far.write(chunk);
    });
    far.on("data", (chunk) => near.write(chunk));
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const there = new URL(url);
  there.hostname = "127.0.0.1";
  there.port = String((server.address() as net.AddressInfo).port);
  return {
    url: there.href,
    /** Breaks every connection; new ones are refused until it is mended. */
    cut: () => {
      open = false;
      for (const socket of sockets) socket.destroy();
    },
    mend: () => void (open = true),
    at: (words: string, then: () => void) => void (trap = { words, then }),
    close: () => new Promise((resolve) => server.close(resolve)),
  };
}

const CONNECTIONS = 2;
let way: Awaited<ReturnType<typeof wayTo>>;
let pool: Pool;
let database: Database;
beforeEach(async () => {
  way = await wayTo(new URL(settings().databaseUrl));
  pool = openPool({ uri: way.url, connectionLimit: CONNECTIONS });
  database = drizzle(pool) as unknown as Database;
  await pool.promise().query("CREATE TABLE IF NOT EXISTS away_test (n INT PRIMARY KEY)");
  await pool.promise().query("DELETE FROM away_test");
});
afterEach(async () => {
  way.mend();
  await pool.promise().query("DROP TABLE away_test");
  await pool.promise().end();
  way.cut();
  await way.close();
});
const add = (n: number) => transact(database, (tx) => tx.execute(sql`INSERT INTO away_test VALUES (${n})`));
const count = async () => {
  const [rows] = await pool.promise().query("SELECT COUNT(*) AS n FROM away_test");
  return (rows as { n: number }[])[0]!.n;
};
/** Whether as many transactions as there are connections can be in their midst at the same time. */
async function allFree(): Promise<boolean> {
  let inside = 0;
  let everybody!: () => void;
  const together = new Promise<void>((resolve) => (everybody = resolve));
  const each = () =>
    transact(database, async () => {
      if (++inside === CONNECTIONS) everybody();
      await together;
    });
  await Promise.all(Array.from({ length: CONNECTIONS }, each));
  return true;
}

test("interrupted again and again, what is done meanwhile waits, is done once, and no connection is lost", async () => {
  for (let n = 0; n < 6; n++) {
    await allFree();
    way.cut();
    const doing = add(n);
    setTimeout(way.mend, 200);
    await doing;
  }
  expect(await count()).toBe(6);
  expect(await allFree()).toBe(true);
});

test("what breaks in its midst is begun anew, because the database has taken it back", async () => {
  let tries = 0;
  await transact(database, async (tx) => {
    await tx.execute(sql`INSERT INTO away_test VALUES (1)`);
    if (++tries < 3) {
      way.cut();
      setTimeout(way.mend, 100);
    }
    await tx.execute(sql`INSERT INTO away_test VALUES (2)`);
  });
  expect([tries, await count()]).toEqual([3, 2]);
});

test("what breaks at its end is not done again: nobody knows whether it was done", async () => {
  let tries = 0;
  way.at("commit", way.cut);
  const doing = transact(database, async (tx) => {
    tries++;
    await tx.execute(sql`INSERT INTO away_test VALUES (1)`);
  });
  await expect(doing).rejects.toBeInstanceOf(Unknown);
  expect(tries).toBe(1);
  way.mend();
  expect(await allFree()).toBe(true);
});

test("what went wrong is what is said, also when nothing can be rolled back", async () => {
  const doing = transact(database, async () => {
    way.cut();
    throw new Error("what went wrong");
  });
  await expect(doing).rejects.toThrow("what went wrong");
  way.mend();
  expect(await allFree()).toBe(true);
});

test("a database that stays away is waited for as long as was said, and no longer", async () => {
  way.cut();
  const tries: number[] = [];
  const asking = patiently(async () => {
    tries.push(performance.now());
    await pool.promise().query("SELECT 1");
  }, 500);
  await expect(asking).rejects.toSatisfy(isAway);
  expect(tries.length).toBeGreaterThan(1);
});

test("who waits for a connection that nobody gives back is told so; one that comes too late goes back", async () => {
  const held = await Promise.all(Array.from({ length: CONNECTIONS }, () => connectionOf(pool)));
  await expect(connectionOf(pool, 50)).rejects.toMatchObject({ code: "NO_CONNECTION" });
  for (const one of held) one.release();
  expect(await allFree()).toBe(true);
});

test("who stands in a queue that goes on waits for their turn, but not for ever", async () => {
  const held = await Promise.all(Array.from({ length: CONNECTIONS }, () => connectionOf(pool)));
  const [turn, long] = [400, 60_000];
  const began = performance.now();
  const first = connectionOf(pool, turn, long);
  const second = connectionOf(pool, turn, long);
  const short = connectionOf(pool, turn, 500).catch((error: unknown) => error);
  // Each comes before it has been quiet for so long; the second has waited for longer than that in the end.
  await new Promise((resolve) => setTimeout(resolve, turn - 100));
  held.pop()!.release();
  held.push(await first);
  await new Promise((resolve) => setTimeout(resolve, turn - 100));
  held.pop()!.release();
  held.push(await second);
  expect(performance.now() - began).toBeGreaterThan(turn);
  expect(await short).toMatchObject({ code: "NO_CONNECTION" });
  for (const one of held) one.release();
  expect(await allFree()).toBe(true);
});
