import type { Pool, RowDataPacket } from "mysql2";
import { afterEach, beforeEach, expect, test } from "vitest";
import { openPool } from "@/data/connections";
import { settings } from "@/outside/settings";

let pool: Pool;
beforeEach(() => {
  pool = openPool({ uri: settings().databaseUrl, connectionLimit: 1 });
});
afterEach(() => pool.promise().end());

const ask = async (sql: string, values?: unknown[]) =>
  (await pool.promise().query<RowDataPacket[]>(sql, values))[0];
const connection = async () => (await ask("SELECT CONNECTION_ID() AS id"))[0]!.id as number;

test("a connection goes back to the pool whatever came of the statement", async () => {
  const first = await connection();
  for (const bad of ["SELECT", "SELECT nothing FROM nowhere"])
    await expect(ask(bad)).rejects.toThrow(/SQL syntax|doesn't exist/);
  // What cannot be made a statement of, too.
  const never = {
    toString(): string {
      throw new Error("never a text");
    },
  };
  await expect(ask("SELECT ?", [never])).rejects.toThrow("never a text");
  expect(await connection()).toBe(first);
  expect(await ask("SELECT ? AS a, ? AS b", [1, "it's"])).toEqual([{ a: 1, b: "it's" }]);
});

test("many who ask one connection are answered in turn, each with its own", async () => {
  const answers = await Promise.all(Array.from({ length: 50 }, (_, i) => ask("SELECT ? AS i", [i])));
  expect(answers.map(([row]) => row!.i)).toEqual(Array.from({ length: 50 }, (_, i) => i));
});

test("a connection whose server may only be read is not used again", async () => {
  const first = await connection();
  await ask("SET SESSION TRANSACTION READ ONLY");
  await expect(ask("CREATE TABLE never_made (id INT)")).rejects.toMatchObject({ errno: 1792 });
  expect(await connection()).not.toBe(first);
});
