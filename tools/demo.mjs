/**
 * `npm run demo`: everything from a fresh machine to Hobbin with its demo data in the browser. Uses only Node's
 * own modules, because it runs before the packages are there.
 */
import { randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { settingsFor, startApplication, startStandIn } from "./lib/application.mjs";
import { DOCUMENTS, ensureDebian, FONTS, STYLES } from "./lib/debian.mjs";
import { startDatabase } from "./lib/mariadb.mjs";
import { mustBeFree, run, stopAll } from "./lib/processes.mjs";
import { bin, ensureBuild, ensurePackages, ROOT, STATE } from "./lib/project.mjs";
import { say, Stop } from "./lib/say.mjs";

const base = Number(process.env.HOBBIN_DEMO_PORT ?? 4800);
const ports = {
  application: base,
  "the stand-in web": base + 1,
  "the stand-in mail": base + 2,
  "the database": base + 3,
};

async function main() {
  if (!Number.isInteger(base) || base < 1024 || base > 65000)
    throw new Stop("HOBBIN_DEMO_PORT must be a port from 1024 to 65000.");
  await mustBeFree(
    {
      "the application": ports.application,
      "the stand-in web": base + 1,
      "the stand-in mail": base + 2,
      "the mail receiver": base + 4,
    },
    "choose another first port: HOBBIN_DEMO_PORT=5800 npm run demo",
  );
  if (process.argv.includes("--fresh"))
    for (const part of ["db", "files", "seeded"])
      rmSync(path.join(STATE, part), { recursive: true, force: true });
  mkdirSync(STATE, { recursive: true });
  await ensureDebian({ ...DOCUMENTS, ...FONTS, ...STYLES });
  await ensurePackages();
  const database = await startDatabase({ folder: path.join(STATE, "db"), port: base + 3 });
  const env = settingsFor({
    database: database.url,
    port: base,
    web: base + 1,
    smtp: base + 2,
    files: path.join(STATE, "files"),
    secret: secret(),
  });
  const standIn = startStandIn({ web: base + 1, smtp: base + 2, output: "ignore" });
  const build = ensureBuild();
  await standIn;
  const seeded = path.join(STATE, "seeded");
  if (!existsSync(seeded)) {
    say("Bringing in the demo data …");
    const code = await run(bin("tsx"), ["demo/seed.ts", String(base + 1)], {
      cwd: ROOT,
      env: { ...process.env, ...env },
    });
    if (code !== 0)
      throw new Stop(
        "The demo data could not be brought in; the words above say why. Start over with: npm run demo -- --fresh",
      );
    writeFileSync(seeded, "");
  }
  await build;
  const application = await startApplication({ env, port: base });
  say(
    readFileSync(path.join(ROOT, "demo/welcome.txt"), "utf8")
      .replaceAll("{port}", String(base))
      .replaceAll("{web}", String(base + 1)),
  );
  process.exitCode = (await Promise.race([application.end, stopped])) ?? 0;
}

/** Signs the sessions; made once and kept, so that people stay signed in. */
function secret() {
  const file = path.join(STATE, "secret");
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString("hex"), { mode: 0o600 });
  return readFileSync(file, "utf8").trim();
}

let stop;
const stopped = new Promise((resolve) => (stop = resolve));
let asked = false;
for (const name of ["SIGINT", "SIGTERM", "SIGHUP"])
  process.on(name, async () => {
    if (asked) return;
    asked = true;
    await stopAll();
    stop(0);
    process.exit(0);
  });

try {
  await main();
} catch (error) {
  if (!asked) process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  process.exitCode = 1;
}
if (!asked) {
  await stopAll();
  process.exit();
}
