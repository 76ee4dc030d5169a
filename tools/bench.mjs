/**
 * `npm run bench`: measures the figures that docs/bench.md holds, against a throw-away database, and writes that
 * file. What counts are ratios within one run; bare times tell about the machine.
 */
import { randomBytes } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { settingsFor, startApplication, startStandIn } from "./lib/application.mjs";
import { DOCUMENTS, ensureDebian } from "./lib/debian.mjs";
import { startDatabase } from "./lib/mariadb.mjs";
import { freePorts, run, stopAll } from "./lib/processes.mjs";
import { bin, ensureBuild, ensurePackages, ROOT } from "./lib/project.mjs";
import { Stop } from "./lib/say.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-bench-"));

async function main() {
  await ensureDebian({
    "/usr/sbin/mariadbd": "mariadb-server",
    "/usr/bin/chromium": "chromium",
    ...DOCUMENTS,
  });
  await ensurePackages();
  await ensureBuild();
  const port = await freePorts(6800, 6);
  const { url } = await startDatabase({ folder: path.join(folder, "db"), port: port + 3 });
  const env = settingsFor({
    database: url,
    port,
    web: port + 1,
    smtp: port + 2,
    mailIn: port + 5,
    files: path.join(folder, "files"),
    secret: randomBytes(32).toString("hex"),
  });
  Object.assign(env, { HOBBIN_SIGN_IN_LIMIT: "1000", HOBBIN_LOG: "error" });
  await startStandIn({ web: port + 1, smtp: port + 2 });
  await startApplication({ env, port });
  // A second process on the same database, for what must hold in every process.
  await startApplication({ env: { ...env, HOBBIN_WORKER: "off" }, port: port + 4 });
  const code = await run(bin("tsx"), ["tools/bench/run.ts"], {
    cwd: ROOT,
    env: {
      ...process.env,
      ...env,
      HOBBIN_SECOND: `http://localhost:${port + 4}`,
      HOBBIN_WEB_PORT: String(port + 1),
      HOBBIN_WEB_PORT: String(port + 1),
    },
  });
  if (code !== 0) throw new Stop("The measuring failed; the words above say why.");
}

let code = 0;
try {
  await main();
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  code = 1;
}
await stopAll();
rmSync(folder, { recursive: true, force: true });
process.exit(code);
