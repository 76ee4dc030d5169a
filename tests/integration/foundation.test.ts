import { readFileSync } from "node:fs";
import mysql from "mysql2/promise";
import { expect, test } from "vitest";
import { migrate } from "@/data/migrate";
import { worker } from "@/data/schema";
import { transact } from "@/data/transaction";
import { getHealth } from "@/http/health";
import { openApi } from "@/http/openapi";
import { Worker } from "@/jobs/worker";
import { database } from "@/mechanism/changing";
import { readSettings, SETTINGS, settings, SettingsError } from "@/outside/settings";
import { listenTo } from "@/services/events/listen";
import { ACTIONS } from "@/services/registry";
import { as, makeWorld } from "./world";

test("the schema can be brought up twice and by three at once; every table is InnoDB with a primary key", async () => {
  const url = settings().databaseUrl;
  const admin = await mysql.createConnection(url);
  expect(await Promise.all([1, 2, 3].map(() => migrate(url, "src/data/migrations")))).toEqual([0, 0, 0]);
  const [tables] = await admin.query(
    `SELECT t.table_name AS name, t.engine, (SELECT count(*) FROM information_schema.statistics s WHERE s.table_schema = t.table_schema AND s.table_name = t.table_name AND s.index_name = 'PRIMARY') AS keyed
     FROM information_schema.tables t WHERE t.table_schema = database()`,
  );
  await admin.end();
  expect((tables as unknown[]).length).toBeGreaterThan(20);
  for (const table of tables as { name: string; engine: string; keyed: number }[])
    expect(table, table.name).toMatchObject({ engine: "InnoDB" });
  for (const table of tables as { name: string; keyed: number }[])
    expect(table.keyed, table.name).toBeGreaterThan(0);
});

test("a transaction lost to another is tried five times, a duplicate twice, any other failure once", async () => {
  const lost = (errno: number) => Object.assign(new Error("lost"), { errno });
  for (const [errno, tries] of [
    [1213, 5],
    [1205, 5],
    [1020, 5],
    [1180, 5],
    [1062, 2],
    [1452, 5],
    [1146, 1],
  ] as const) {
    let count = 0;
    await expect(
      transact(
        database(),
        async () => {
          count++;
          throw lost(errno);
        },
        async () => undefined,
      ),
    ).rejects.toThrow("lost");
    expect(count).toBe(tries);
  }
  // One after the other, as it comes when many are about.
  const each = [1213, 1452, 1062];
  const work = async () => {
    const errno = each.shift();
    if (errno) throw lost(errno);
    return "done";
  };
  expect(
    await transact(database(), work, async () => undefined),
    "lost first, then taken away, then made by somebody else",
  ).toBe("done");
});

test("the README lists every setting with its default, and wrong ones are all named at once", () => {
  const readme = readFileSync("README.md", "utf8");
  for (const { name, fallback } of Object.values(SETTINGS)) {
    expect(readme, `${name} is missing in the README`).toContain(`\`${name}\``);
    if (fallback) expect(readme, `default of ${name}`).toContain(`\`${fallback}\``);
  }
  expect(() => readSettings({ HOBBIN_PORT: "many", HOBBIN_SECRET: "short", HOBBIN_LOG: "loud" })).toThrow(
    SettingsError,
  );
  expect(() => readSettings({ HOBBIN_PORT: "many", HOBBIN_SECRET: "short" })).toThrow(
    /HOBBIN_PORT.*HOBBIN_SECRET/s,
  );
});

test("the description of the interface has every action with its fields", () => {
  const { paths } = openApi("http://hobbin.example") as {
    paths: Record<
      string,
      Record<
        string,
        {
          requestBody?: {
            content: Record<string, { schema: { required: string[]; properties: Record<string, object> } }>;
          };
        }
      >
    >;
  };
  expect(Object.keys(paths).sort()).toEqual(
    Object.keys(ACTIONS)
      .map((name) => `/api/actions/${name}`)
      .sort(),
  );
  const schema =
    paths["/api/actions/capture.address"]!.post!.requestBody!.content["application/json"]!.schema;
  expect(schema.required).toEqual(["team", "address"]);
  expect(schema.properties).toMatchObject({
    team: { format: "uuid" },
    address: { maxLength: 4000 },
    again: { type: "boolean" },
  });
});

test("the event stream tells a change, and catches up from the last one seen", async () => {
  const world = await makeWorld();
  const hear = async (last: string | null, change: () => Promise<unknown>, verb: string) => {
    let text = "";
    const stop = listenTo(
      world.viewer,
      { team: world.team, only: null, last },
      {
        write: (bytes) => (text += new TextDecoder().decode(bytes)),
        end: () => undefined,
      },
    );
    await change();
    await expect.poll(() => text, { interval: 20 }).toContain(`"verb":"${verb}"`);
    stop();
    return /id: (\S+)\ndata: [^\n]*$/.exec(text.trimEnd())![1]!;
  };
  const edit = () => as(world.editor, "collections.edit", { collection: world.collection, title: "Renamed" });
  const first = await hear(null, edit, "collections.edit");
  await as(world.editor, "sections.edit", { section: world.section, title: "While away" });
  const second = await hear(first, async () => undefined, "sections.edit");
  expect(second > first).toBe(true);
});

test("health is 503 while no worker lives and 200 when one does", async () => {
  await database().delete(worker);
  const down = await getHealth(new Request("http://hobbin.example/api/health"));
  expect([down.status, await down.json()]).toMatchObject([
    503,
    { status: "down", database: "up", workers: "down" },
  ]);
  const one = new Worker({});
  await one.start();
  const up = await getHealth(new Request("http://hobbin.example/api/health"));
  expect([up.status, await up.json()]).toMatchObject([200, { status: "up", workers: "up" }]);
  await one.stop();
  expect((await getHealth(new Request("http://hobbin.example/api/health"))).status).toBe(503);
});

test("a team keeps an owner, and an invitation never lowers a role", async () => {
  const { owner, editor, team } = await makeWorld();
  await expect(as(owner, "members.remove", { team, person: owner.person!.id })).rejects.toMatchObject({
    kind: "conflict",
  });
  await expect(
    as(owner, "members.set-role", { team, person: owner.person!.id, role: "viewer" }),
  ).rejects.toMatchObject({ errors: [{ field: "role" }] });
  const { invitation } = await as(owner, "invitations.make", { team, role: "viewer" });
  expect(await as(editor, "invitations.accept", { code: invitation.code })).toMatchObject({ role: "editor" });
  await as(owner, "invitations.revoke", { invitation: invitation.id });
  await expect(as(editor, "invitations.accept", { code: invitation.code })).rejects.toMatchObject({
    kind: "not-found",
  });
});
