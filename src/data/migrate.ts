import { readMigrationFiles } from "drizzle-orm/migrator";
import mysql from "mysql2/promise";

/**
 * Brings the database at `url` to the newest schema. Safe to run twice and by several processes at once:
 * a named lock of the server lets one through, the others find the work done.
 * @param url of the database
 * @param folder where the migrations lie
 * @returns the number of migrations applied now
 */
export async function migrate(url: string, folder: string): Promise<number> {
  const connection = await mysql.createConnection({ uri: url, multipleStatements: false });
  try {
    const [rows] = await connection.query("SELECT GET_LOCK('hobbin-migrate', 120) AS got");
    if ((rows as { got: number }[])[0]?.got !== 1)
      throw new Error(
        "Another process has been migrating the database for two minutes. Start again when it is done.",
      );
    await connection.query("ALTER DATABASE CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci");
    await connection.query(
      "CREATE TABLE IF NOT EXISTS schema_migration (hash CHAR(64) PRIMARY KEY, applied_at DATETIME(3) NOT NULL) ENGINE=InnoDB",
    );
    const [done] = await connection.query("SELECT hash FROM schema_migration");
    const applied = new Set((done as { hash: string }[]).map((row) => row.hash));
    let count = 0;
    for (const migration of readMigrationFiles({ migrationsFolder: folder })) {
      if (applied.has(migration.hash)) continue;
      for (const statement of migration.sql) if (statement.trim()) await connection.query(statement);
      await connection.query("INSERT INTO schema_migration VALUES (?, UTC_TIMESTAMP(3))", [migration.hash]);
      count++;
    }
    return count;
  } finally {
    await connection.query("SELECT RELEASE_LOCK('hobbin-migrate')").catch(() => undefined);
    await connection.end();
  }
}
