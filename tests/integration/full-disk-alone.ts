import { readdirSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { findOrder } from "@/data/queries/ordered-files";
import { closeDatabase } from "@/data/database";
import { database } from "@/mechanism/changing";
import { readStored } from "@/outside/files";
import { settings } from "@/outside/settings";
import { runOrder } from "@/services/export/run-order";

/** Orders in a process whose disk is full, and again when there is room, for the test that gives it such a disk. */
const [disk, ...orders] = process.argv.slice(2) as [string, ...string[]];
const filler = path.join(disk, "filler");
try {
  for (let size = 0; ; size += 4096) writeFileSync(filler, Buffer.alloc(4096), { flag: size ? "a" : "w" });
} catch {
  // It is full.
}
const failed: unknown[] = [];
for (const id of orders)
  await runOrder(id).catch((error: Error & { code?: string }) => failed.push(error.code ?? error.message));
const lying = readdirSync(disk, { recursive: true, withFileTypes: true })
  .filter((one) => one.isFile() && one.name !== "filler")
  .map((one) => one.name);
rmSync(filler);
const states: unknown[] = [];
for (const id of orders) {
  await runOrder(id);
  const { state, hash, bytes } = (await findOrder(database(), id))!;
  states.push({ state, whole: (await readStored(hash!))?.length === bytes });
}
process.stdout.write(`${JSON.stringify({ files: settings().files, failed, lying, states })}\n`);
await closeDatabase();
process.exit(0);
