/**
 * `npm run test:watch`: keeps database, stand-ins and the application with its demo data running, so that
 * `npm test -- FILE` need not start them. When the application is built anew, it is started anew. Ctrl-C ends it.
 */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { ensureAll } from "./lib/stack.mjs";
import { startApplication } from "./lib/application.mjs";
import { stopAll, stopOne, wait } from "./lib/processes.mjs";
import { buildStamp } from "./lib/project.mjs";
import { say, Stop } from "./lib/say.mjs";
import { NOTE } from "./test/kept.mjs";
import { startDemo, startGround } from "./test/stack.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-watch-"));
let stopping = false;

async function main() {
  await ensureAll();
  const ground = await startGround({ folder, base: 7800 });
  let built = buildStamp();
  const { env: browser, application } = await startDemo(ground);
  for (let running = application; ;) {
    mkdirSync(path.dirname(NOTE), { recursive: true });
    writeFileSync(NOTE, JSON.stringify({ pid: process.pid, built, env: ground.env, browser }));
    say(
      `The stack runs at ${browser.HOBBIN_ADDRESS}. In another window: npm test -- tests/browser/tree.spec.ts`,
    );
    built = await untilBuilt(built);
    await stopOne(running);
    running = await startApplication({ env: browser, port: ground.port });
  }
}

/** Waits for another build than this one. @returns {Promise<string>} its stamp */
async function untilBuilt(last) {
  for (;;) {
    await wait(500);
    const built = buildStamp();
    if (built && built !== last) return built;
  }
}

async function end(code) {
  if (stopping) return;
  stopping = true;
  rmSync(NOTE, { force: true });
  await stopAll();
  rmSync(folder, { recursive: true, force: true });
  process.exit(code);
}
for (const name of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(name, () => void end(0));

try {
  await main();
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  await end(1);
}
