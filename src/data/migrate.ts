import { randomUUID } from "node:crypto";
import { readMigrationFiles } from "drizzle-orm/migrator";
import mysql, { type Connection, type ResultSetHeader, type RowDataPacket } from "mysql2/promise";

/** For how long whoever migrates is waited for, and how long it is thought to live without a sign, in seconds. */
const [WAIT, LEASE] = [120, 30];
const BETWEEN = 500;

/**
 * Errors of a statement that was done already: table exists, column exists, key exists, what is to be dropped or renamed
 * is not there any more (MariaDB error codes). They count only where the process that ran it ended before it could say so.
 */
const DONE_ALREADY = new Set([1050, 1051, 1054, 1060, 1061, 1068, 1091, 1146, 1176, 1826]);
const CHANGES_ROWS = /^\s*(?:--[^\n]*\n\s*)*(INSERT|UPDATE|DELETE|REPLACE)\b/i;

type Progress = { hash: string; statement: number; begun: number };

/**
 * Brings the database at `url` to the newest schema. Safe to run twice and by several processes at once: a row of the
 * database, which whoever works on it renews, lets one through, and the others find the work done. What was broken off is
 * gone on with at its statement.
 * @param url of the database
 * @param folder where the migrations lie
 * @returns the number of migrations applied now
 * @throws when the database has migrations this version does not know
 */
export async function migrate(url: string, folder: string): Promise<number> {
  const connection = await mysql.createConnection({ uri: url, multipleStatements: false });
  const holder = randomUUID();
  try {
    await connection.query("ALTER DATABASE CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci");
    await connection.query(
      "CREATE TABLE IF NOT EXISTS schema_migration (hash CHAR(64) PRIMARY KEY, applied_at DATETIME(3) NOT NULL) ENGINE=InnoDB",
    );
    await connection.query(
      "CREATE TABLE IF NOT EXISTS schema_lease (id TINYINT PRIMARY KEY, holder CHAR(36), until DATETIME(3), hash CHAR(64), statement INT NOT NULL DEFAULT 0, begun TINYINT NOT NULL DEFAULT 0) ENGINE=InnoDB",
    );
    await connection.query("INSERT IGNORE INTO schema_lease (id) VALUES (1)");
    const files = readMigrationFiles({ migrationsFolder: folder });
    if (!(await open(connection, files)).length) return 0;
    await take(connection, holder);
    const renewing = await mysql.createConnection({ uri: url });
    const beat = setInterval(() => void renew(renewing, holder).catch(() => undefined), (LEASE * 1000) / 3);
    try {
      // Whoever held it before may have done it all.
      const todo = await open(connection, files);
      for (const migration of todo) await apply(connection, holder, migration);
      return todo.length;
    } finally {
      clearInterval(beat);
      await renewing.end().catch(() => undefined);
      await connection
        .query("UPDATE schema_lease SET holder = NULL, until = NULL WHERE holder = ?", [holder])
        .catch(() => undefined);
    }
  } finally {
    await connection.end();
  }
}

type Migration = { hash: string; sql: string[] };

/** The migrations that are still to be done. */
async function open(connection: Connection, files: readonly Migration[]): Promise<Migration[]> {
  const [rows] = await connection.query<RowDataPacket[]>("SELECT hash FROM schema_migration");
  const applied = new Set(rows.map((row) => (row as { hash: string }).hash));
  const known = new Set(files.map(({ hash }) => hash));
  if ([...applied].some((hash) => !known.has(hash)))
    throw new Error(
      "The database belongs to a newer version of Hobbin. Start that one, or restore a backup of this one.",
    );
  return files.filter(({ hash }) => !applied.has(hash));
}

/** Takes the lease, when nobody has it or whoever had it is gone. */
async function take(connection: Connection, holder: string): Promise<void> {
  for (const until = Date.now() + WAIT * 1000; ;) {
    const [taken] = await connection.query<ResultSetHeader>(
      "UPDATE schema_lease SET holder = ?, until = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE id = 1 AND (holder IS NULL OR until < CURRENT_TIMESTAMP(3))",
      [holder, LEASE],
    );
    if (taken.affectedRows) return;
    if (Date.now() > until)
      throw new Error(
        "Another process has been migrating the database for two minutes. Start again when it is done.",
      );
    await new Promise((resolve) => setTimeout(resolve, BETWEEN));
  }
}

const renew = (connection: Connection, holder: string) =>
  connection.query(
    "UPDATE schema_lease SET until = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE holder = ?",
    [LEASE, holder],
  );

/**
 * Does one migration, from the statement on at which it was broken off. What changes rows is one transaction with the note
 * that it is done; what changes tables, which MariaDB does wholly or not at all, is noted before and after.
 */
async function apply(connection: Connection, holder: string, { hash, sql }: Migration): Promise<void> {
  const statements = sql.filter((statement) => statement.trim());
  const [[row]] = await connection.query<(RowDataPacket & Progress)[]>(
    "SELECT hash, statement, begun FROM schema_lease",
  );
  const broken = row?.hash === hash ? row : null;
  const note = async (statement: number, begun: boolean) => {
    const [noted] = await connection.query<ResultSetHeader>(
      "UPDATE schema_lease SET hash = ?, statement = ?, begun = ?, until = CURRENT_TIMESTAMP(3) + INTERVAL ? SECOND WHERE holder = ?",
      [hash, statement, begun ? 1 : 0, LEASE, holder],
    );
    if (!noted.affectedRows) throw new Error("Another process took over the migration.");
  };
  for (let i = broken?.statement ?? 0; i < statements.length; i++) {
    const statement = statements[i]!;
    if (CHANGES_ROWS.test(statement)) {
      await connection.beginTransaction();
      await connection.query(statement);
      await note(i + 1, false);
      await connection.commit();
      continue;
    }
    const mayBeDone = broken?.statement === i && broken.begun === 1;
    await note(i, true);
    try {
      await connection.query(statement);
    } catch (error) {
      // One that fails while somebody sees it is not done.
      if (!mayBeDone || !DONE_ALREADY.has((error as { errno?: number }).errno ?? 0)) {
        await note(i, false).catch(() => undefined);
        throw error;
      }
    }
    await note(i + 1, false);
  }
  await connection.query("INSERT INTO schema_migration VALUES (?, UTC_TIMESTAMP(3))", [hash]);
}
