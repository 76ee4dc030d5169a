import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { is } from "drizzle-orm";
import { readMigrationFiles } from "drizzle-orm/migrator";
import { getTableConfig, MySqlTable } from "drizzle-orm/mysql-core";
import mysql, { type Connection, type RowDataPacket } from "mysql2/promise";
import { expect, onTestFinished, test } from "vitest";
import { migrate } from "@/data/migrate";
import * as schema from "@/data/schema";
import { settings } from "@/outside/settings";

const FOLDER = "src/data/migrations";
type Journal = { entries: { tag: string }[] };

/** The migrations up to one of them, in a folder of their own. */
function upTo(tag: string): string {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-migrations-"));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  cpSync(FOLDER, folder, { recursive: true });
  const file = path.join(folder, "meta/_journal.json");
  const journal = JSON.parse(readFileSync(file, "utf8")) as Journal;
  const last = journal.entries.findIndex((entry) => entry.tag === tag);
  expect(last).toBeGreaterThan(0);
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, last + 1) }));
  return folder;
}

/** An empty database beside the one of the tests. */
async function emptyDatabase(): Promise<{ url: string; at: Connection }> {
  const url = settings().databaseUrl.replace(/\w+$/, (name) => `${name}_migrated`);
  const name = url.split("/").at(-1)!;
  const at = await mysql.createConnection(settings().databaseUrl);
  await at.query(`DROP DATABASE IF EXISTS ${name}`);
  await at.query(`CREATE DATABASE ${name}`);
  await at.query(`USE ${name}`);
  onTestFinished(async () => {
    await at.query(`DROP DATABASE IF EXISTS ${name}`);
    await at.end();
  });
  return { url, at };
}

const id = (n: number) => `01a21996-8e86-731a-95e4-${String(n).padStart(12, "0")}`;
const NOW = "2026-05-01 12:00:00.000";

test("renaming tables and verbs keeps what people made, can be taken back, and is still to be done", async () => {
  const { url, at } = await emptyDatabase();
  const before = upTo("0009_list_versions");
  await migrate(url, before);
  const insert = (table: string, row: object) => at.query(`INSERT INTO \`${table}\` SET ?`, [row]);
  const [team, person, made, old] = [id(1), id(2), id(3), id(4)];
  await insert("team", { id: team, name: "Moss", created_at: NOW });
  const page = { team, kind: "page", host: "bog.example", title: "Fire", created_at: NOW, updated_at: NOW };
  await fill(at, "resource", { ...page, id: old });
  await fill(at, "resource", { ...page, id: made, twin_of: old, address_hash: "another" });
  await fill(at, "twin_merge", {
    id: id(5),
    team,
    kept: old,
    gone: made,
    before_: "{}",
    person,
    created_at: NOW,
  });
  await fill(at, "intake", {
    id: id(6),
    team,
    person,
    name: "list.txt",
    state: "running",
    places: "[]",
    standing: "[]",
    total: 1,
    created_at: NOW,
    updated_at: NOW,
  });
  await fill(at, "intake_part", { intake: id(6), no: 0, lines_: "[]", state: "ready", hash: "x" });
  await fill(at, "kept_search", {
    id: id(7),
    team,
    person,
    name: "Fires",
    query: "tag:fire",
    looked_at: NOW,
    created_at: NOW,
  });
  const changes = ["tagging", "about", "tray", "placement"].map((thing) => ({
    thing,
    id: made,
    before: null,
    after: {},
  }));
  await fill(at, "deed", {
    id: id(8),
    team,
    person,
    words: "tag",
    ability: "bring",
    changes: JSON.stringify(changes),
    state: "done",
    created_at: NOW,
  });
  for (const [n, verb] of ["intakes.done", "mail.decide", "placements.add"].entries())
    await fill(at, "event", { id: id(10 + n), at: NOW, team, verb, subject: made, data: "{}" });
  for (const [n, [kind, key, payload]] of [
    ["intake.run", `intake ${id(6)}`, { intake: id(6) }],
    ["mail.send", "mail 1", { to: "a@bog.example" }],
    ["mail.take", "mail.take 1", { message: id(9) }],
  ].entries())
    await fill(at, "job", {
      id: id(20 + n),
      kind,
      unique_key: key,
      payload: JSON.stringify(payload),
      state: "ready",
      run_at: NOW,
      created_at: NOW,
    });

  expect(await migrate(url, upTo("0010_words"))).toBeGreaterThan(0);

  const read = async (sql: string) =>
    (await at.query<RowDataPacket[]>(sql))[0].map((row) => Object.values(row));
  expect(await read("SELECT duplicate_of FROM resource ORDER BY id")).toEqual([[old], [null]]);
  expect(await read("SELECT kept, gone FROM duplicate_merge")).toEqual([[old, made]]);
  expect(await read("SELECT i.name, p.state FROM import i JOIN import_part p ON p.import = i.id")).toEqual([
    ["list.txt", "ready"],
  ]);
  expect(await read("SELECT name, query FROM saved_search")).toEqual([["Fires", "tag:fire"]]);
  const [entry] = await read("SELECT changes FROM history_entry");
  expect((JSON.parse(entry![0] as string) as { type: string }[]).map((change) => change.type)).toEqual([
    "resourceTag",
    "collectionTag",
    "trayEntry",
    "placement",
  ]);
  expect(await read("SELECT verb FROM event ORDER BY id")).toEqual([
    ["imports.done"],
    ["messages.decide"],
    ["placements.add"],
  ]);
  const jobs = await read("SELECT kind, unique_key, payload FROM job ORDER BY id");
  expect(
    jobs.map(([kind, key, payload]) => [
      kind,
      key,
      typeof payload === "string" ? JSON.parse(payload) : payload,
    ]),
  ).toEqual([
    ["imports.run", `import ${id(6)}`, { import: id(6) }],
    ["messages.send", "mail 1", { to: "a@bog.example" }],
    ["messages.take-in", "messages.take-in 1", { message: id(9) }],
  ]);
});

test("what stood in a section of another collection stands in its own one again, before its sections", async () => {
  const { url, at } = await emptyDatabase();
  await migrate(url, upTo("0010_words"));
  const [team, here, there] = [id(1), id(2), id(3)];
  await fill(at, "team", { id: team, name: "Moss", created_at: NOW });
  await fill(at, "resource", { id: id(4), team, address_hash: "x", created_at: NOW, updated_at: NOW });
  for (const one of [here, there]) {
    await fill(at, "collection", { id: one, team, title: "A", created_at: NOW, updated_at: NOW });
    await fill(at, "section", { id: one.replace(/^0/, "1"), collection: one, created_at: NOW });
  }
  const sections = {
    own: here.replace(/^0/, "1"),
    other: there.replace(/^0/, "1"),
    gone: id(99),
    none: null,
  };
  for (const [n, section] of Object.values(sections).entries())
    await fill(at, "placement", { id: id(10 + n), team, collection: here, section, resource: id(4) });

  await migrate(url, FOLDER);

  const [rows] = await at.query<RowDataPacket[]>("SELECT section FROM placement ORDER BY id");
  expect(rows.map((row) => row.section as string | null)).toEqual([sections.own, null, null, null]);
  await expect(
    at.query("UPDATE placement SET section = ? WHERE id = ?", [sections.other, id(10)]),
  ).rejects.toMatchObject({ errno: 1452 });
});

/** Inserts a row; what is not given and must be there is as empty as its type allows. */
async function fill(at: Connection, table: string, row: Record<string, unknown>): Promise<void> {
  const [columns] = await at.query<RowDataPacket[]>(
    "SELECT column_name AS name, data_type AS type FROM information_schema.columns WHERE table_schema = database() AND table_name = ? AND is_nullable = 'NO' AND column_default IS NULL",
    [table],
  );
  const empty = (type: string) =>
    ({ uuid: id(0), datetime: NOW, longtext: "[]" })[type] ?? (/int|double/.test(type) ? 0 : "");
  const missing = columns.filter(({ name }) => !(name in row)).map(({ name, type }) => [name, empty(type)]);
  await at.query(`INSERT INTO \`${table}\` SET ?`, [{ ...Object.fromEntries(missing), ...row }]);
}

test("what the migrations make is what the code says is there: tables, columns, keys and indexes", async () => {
  const { url, at } = await emptyDatabase();
  await migrate(url, FOLDER);
  const read = async (sql: string) =>
    (await at.query<RowDataPacket[]>(sql))[0].map((row) => Object.values(row).join(" ")).toSorted();
  const tables = Object.values(schema)
    .filter((one) => is(one, MySqlTable))
    .map(getTableConfig);
  const here = "table_schema = database() AND table_name NOT IN ('schema_migration', 'schema_lease')";
  expect(
    await read(
      `SELECT table_name, column_name, if(is_nullable = 'YES', 'null', '') FROM information_schema.columns WHERE ${here}`,
    ),
  ).toEqual(
    tables
      .flatMap(({ name, columns }) =>
        columns.map((one) => `${name} ${one.name} ${one.notNull ? "" : "null"}`),
      )
      .toSorted(),
  );
  expect(
    await read(
      `SELECT DISTINCT table_name, constraint_name FROM information_schema.referential_constraints WHERE constraint_schema = database()`,
    ),
  ).toEqual(
    tables
      .flatMap(({ name, foreignKeys }) => foreignKeys.map((one) => `${name} ${one.getName()}`))
      .toSorted(),
  );
  const indexes = await read(
    `SELECT DISTINCT table_name, index_name FROM information_schema.statistics WHERE ${here}`,
  );
  for (const { name, indexes: wanted } of tables)
    for (const one of wanted) expect(indexes).toContain(`${name} ${one.config.name}`);
});

/** Some steps of their own, in a folder as Drizzle has it. */
function steps(...migrations: string[][]): string {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-migrations-"));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  mkdirSync(path.join(folder, "meta"));
  const entries = migrations.map((statements, idx) => {
    const tag = `000${idx}_step`;
    writeFileSync(path.join(folder, `${tag}.sql`), statements.join("--> statement-breakpoint\n"));
    return { idx, version: "5", when: 1_700_000_000_000 + idx, tag, breakpoints: true };
  });
  writeFileSync(
    path.join(folder, "meta/_journal.json"),
    JSON.stringify({ version: "7", dialect: "mysql", entries }),
  );
  return folder;
}
const THREE = [
  "CREATE TABLE peat (id INT PRIMARY KEY, depth INT NOT NULL) ENGINE=InnoDB;",
  "INSERT INTO peat VALUES (1, 10);",
  "ALTER TABLE peat ADD moss INT NOT NULL DEFAULT 7;",
  "UPDATE peat SET depth = depth + 1;",
];
const peat = async (at: Connection) => (await at.query<RowDataPacket[]>("SELECT * FROM peat"))[0];

test("a migration that was broken off anywhere goes on at its statement, and nothing is done twice", async () => {
  for (let cut = 0; cut < THREE.length; cut++)
    for (const done of [false, true]) {
      const { url, at } = await emptyDatabase();
      await migrate(url, steps(["SELECT 1;"]));
      // So far it came; then its process ended, before or after the statement it was at. Rows and the note are one.
      const changesRows = !/TABLE/.test(THREE[cut]!);
      if (changesRows && done) continue;
      for (const statement of THREE.slice(0, cut + (done ? 1 : 0))) await at.query(statement);
      const folder = steps(["SELECT 1;"], THREE);
      const hash = readMigrationFiles({ migrationsFolder: folder })[1]!.hash;
      await at.query(
        "UPDATE schema_lease SET hash = ?, statement = ?, begun = ?, holder = UUID(), until = NOW(3)",
        [hash, cut, changesRows ? 0 : 1],
      );
      expect(await migrate(url, folder)).toBe(1);
      expect(await peat(at)).toEqual([{ id: 1, depth: 11, moss: 7 }]);
      expect(await migrate(url, folder)).toBe(0);
    }
});

test("a statement that fails while somebody sees it fails again, and is not taken for done", async () => {
  const { url, at } = await emptyDatabase();
  await at.query("CREATE TABLE peat (id INT PRIMARY KEY) ENGINE=InnoDB");
  const folder = steps(THREE);
  for (let i = 0; i < 2; i++) await expect(migrate(url, folder)).rejects.toThrow("already exists");
  await at.query("DROP TABLE peat");
  expect(await migrate(url, folder)).toBe(1);
});

test("a database of a newer version is left alone; three processes at once migrate once", async () => {
  const { url, at } = await emptyDatabase();
  const folder = steps(THREE);
  const counts = await Promise.all([migrate(url, folder), migrate(url, folder), migrate(url, folder)]);
  expect(counts.sort()).toEqual([0, 0, 1]);
  expect(await peat(at)).toEqual([{ id: 1, depth: 11, moss: 7 }]);
  await expect(migrate(url, steps(["SELECT 1;"]))).rejects.toThrow("newer version of Hobbin");
});
