import { readdirSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { unzipSync } from "fflate";
import { sql } from "drizzle-orm";
import { beforeAll, expect, test } from "vitest";
import { getOrdered } from "@/http/export-route";
import { clearOrders } from "@/data/queries/ordered-files";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { makeExportJob } from "@/jobs/make-export";
import { newId } from "@/outside/random";
import { runOrder } from "@/services/export/run-order";
import { as, makeWorld, type World } from "./world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
  const { editor, team, collection } = world;
  for (const n of [1, 2, 3])
    await as(editor, "capture.work", {
      ...{ team, type: "book", title: `Book ${n}`, collection, address: `https://ordered.example/${n}` },
    });
});

const order = async (actor: Actor, more: object) =>
  (await as(actor, "export.order", { collection: world.collection, ...more })).order;
const said = async (actor: Actor, id: string) =>
  (await as(actor, "export.orders", { collection: world.collection })).orders.find((one) => one.id === id)!;
async function fetched(actor: Actor, id: string) {
  const { token } = await as(actor, "tokens.make", { name: "Order" });
  return getOrdered(
    new Request("http://localhost/api/exports/x", { headers: { authorization: `Bearer ${token}` } }),
    { params: Promise.resolve({ order: id }) },
  );
}

test("what was ordered is made, told how far it is, and fetched for a day by who ordered it and may still see it", async () => {
  const { editor, viewer, owner, team } = world;
  const id = newId();
  await order(editor, { format: "pdf", paper: "letter", style: "apa", order: id });
  await order(editor, { format: "pdf", paper: "letter", style: "apa", order: id });
  expect(await said(editor, id)).toMatchObject({ state: "running", step: "reading" });
  expect((await fetched(editor, id)).status).toBe(404);
  await runOrder(id);
  expect(await said(editor, id)).toMatchObject({ state: "ready", step: "setting", format: "pdf" });
  const file = await fetched(editor, id);
  expect(file.headers.get("content-disposition")).toContain(".pdf");
  const body = Buffer.from(await file.arrayBuffer());
  expect(body.toString("latin1", 0, 5)).toBe("%PDF-");
  expect(body.length).toBe((await said(editor, id)).bytes);
  expect((await fetched(owner, id)).status).toBe(404);
  expect(await as(viewer, "export.orders", { collection: world.collection })).toEqual({
    items: 4,
    orders: [],
  });
  const gone = await order(viewer, { format: "csv" });
  await as(owner, "members.remove", { team, person: viewer.person!.id });
  await runOrder(gone);
  expect((await fetched(viewer, gone)).status).toBe(404);
  await database().execute(sql`UPDATE ordered_file SET until_ = '2020-01-01' WHERE id = ${id}`);
  expect((await fetched(editor, id)).status).toBe(404);
  await clearOrders(database(), new Date());
  expect(await said(editor, id)).toBeUndefined();
});

test("where nothing can be written it is tried again, and nothing is left lying; what fails too often says so", async () => {
  const { editor } = world;
  const id = await order(editor, { format: "folder", copies: "all" });
  const usual = process.env.TMPDIR;
  process.env.TMPDIR = path.join(os.tmpdir(), "no-such-disk");
  await expect(runOrder(id)).rejects.toThrow("ENOENT");
  if (usual === undefined) delete process.env.TMPDIR;
  else process.env.TMPDIR = usual;
  expect((await said(editor, id)).state).toBe("running");
  await runOrder(id);
  expect((await said(editor, id)).state).toBe("ready");
  expect(readdirSync(os.tmpdir()).filter((name) => name.startsWith("hobbin-export-"))).toEqual([]);
  const zip = unzipSync(new Uint8Array(await (await fetched(editor, id)).arrayBuffer()));
  expect(Object.keys(zip).some((name) => name.endsWith("/index.html"))).toBe(true);
  const other = await order(editor, { format: "docx" });
  await makeExportJob.givenUp!({ order: other });
  expect(await said(editor, other)).toMatchObject({ state: "failed" });
});

test("nobody has more than three made at once", async () => {
  const { owner } = world;
  for (let i = 0; i < 3; i++) await order(owner, { format: "csv" });
  await expect(order(owner, { format: "csv" })).rejects.toMatchObject({ code: "too-many-orders" });
});
