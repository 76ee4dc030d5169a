/**
 * `npm run faults`: breaks Hobbin on purpose and looks what became of it; writes docs/faults.md. By parts, `npm run
 * faults -- kills movers`: `kills` (kill -9 of application, worker and database under writers), `movers` (many who move
 * and edit in one collection), `soak` (half an hour of work: memory and open files). Ends with 1 when an aim is missed.
 */
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { stopAll } from "./lib/processes.mjs";
import { say, Stop } from "./lib/say.mjs";
import { ensureAll, startAround } from "./lib/stack.mjs";
import { killing } from "./faults/killing.mjs";
import { moving } from "./faults/moving.mjs";
import { soaking } from "./faults/soaking.mjs";
import { writeSection } from "./faults/page.mjs";

const PARTS = { kills: killing, movers: moving, soak: soaking };

async function main() {
  const named = process.argv.slice(2);
  await ensureAll();
  let good = true;
  for (const [name, part] of Object.entries(PARTS)) {
    if (named.length && !named.includes(name)) continue;
    const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-faults-"));
    try {
      const ground = await startAround({ folder, base: 9_800, fast: false });
      Object.assign(ground.env, { HOBBIN_LOG: "error", HOBBIN_STREAMS: "500" });
      const { words, rows, met } = await part({ ...ground, folder });
      for (const [what, measured, aim] of rows) say(`${what}: ${measured}${aim && ` (aim ${aim})`}`);
      writeSection(name, rows, words);
      good &&= met;
    } finally {
      await stopAll();
      rmSync(folder, { recursive: true, force: true });
    }
  }
  return good ? 0 : 1;
}

for (const name of ["SIGINT", "SIGTERM"]) process.on(name, () => void stopAll().then(() => process.exit(1)));
try {
  process.exit(await main());
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  await stopAll();
  process.exit(1);
}
