import { randomBytes } from "node:crypto";
import path from "node:path";
import { settingsFor, startStandIn } from "./application.mjs";
import { DOCUMENTS, ensureDebian } from "./debian.mjs";
import { startDatabase } from "./mariadb.mjs";
import { freePorts, run } from "./processes.mjs";
import { bin, ensureBuild, ensurePackages, ROOT } from "./project.mjs";
import { Stop } from "./say.mjs";

/** Sees to it that what the browser checks need is there: Debian's programs, packages, a build. */
export async function ensureAll() {
  await ensureDebian({
    "/usr/sbin/mariadbd": "mariadb-server",
    "/usr/bin/chromium": "chromium",
    ...DOCUMENTS,
  });
  await ensurePackages();
  await ensureBuild();
}

/**
 * A throw-away database and the stand-ins, on ports of their own.
 * @param base the first port that is tried; `port` up to `port + 5` are free then
 * @param fast gives up the database's safety against power loss
 * @returns the first port, which is the application's, and the settings by which all find each other
 */
export async function startAround({ folder, base, fast = true }) {
  const port = await freePorts(base, 6);
  const [web, smtp, mailIn] = [port + 1, port + 2, port + 4];
  const { url } = await startDatabase({ folder: path.join(folder, "db"), port: port + 3, fast });
  const env = settingsFor({
    database: url,
    port,
    web,
    smtp,
    mailIn,
    files: path.join(folder, "files"),
    secret: randomBytes(32).toString("hex"),
  });
  await startStandIn({ web, smtp, mailIn });
  return { port, web, url, env };
}

/** Brings the demo data in. */
export async function seed(env, web) {
  const code = await run(bin("tsx"), ["demo/seed.ts", String(web)], {
    cwd: ROOT,
    env: { ...process.env, ...env },
  });
  if (code !== 0) throw new Stop("The demo data could not be brought in; the words above say why.");
}
