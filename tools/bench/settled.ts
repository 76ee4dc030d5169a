import { sql } from "drizzle-orm";
import { setTimeout } from "node:timers/promises";
import { database } from "@/mechanism/changing";

/** Until the database has written out what it was fed with, a minute at the most: nobody fills 100,000 in and asks. */
export async function settled(): Promise<void> {
  for (let second = 0; second < 60; second++) {
    const [[row]] = (await database().execute(
      sql`SHOW GLOBAL STATUS LIKE 'Innodb_buffer_pool_pages_dirty'`,
    )) as unknown as [{ Value: string }[]];
    if (Number(row?.Value ?? 0) < 2_000) return;
    await setTimeout(1_000);
  }
}
