/**
 * `npm run bench`: measures the figures that docs/bench.md holds, against a throw-away database, and writes that
 * file; with the names of parts behind it (`npm run bench -- arranging`) only these are measured anew. What counts are
 * ratios within one run; bare times tell about the machine.
 */
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { run, stopAll } from "./lib/processes.mjs";
import { ROOT } from "./lib/project.mjs";
import { Stop } from "./lib/say.mjs";
import { startApplication } from "./lib/application.mjs";
import { ensureAll, startAround } from "./lib/stack.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-bench-"));

async function main() {
  await ensureAll();
  const { port, web, env } = await startAround({ folder, base: 6800, fast: false });
  Object.assign(env, { HOBBIN_SIGN_IN_LIMIT: "1000", HOBBIN_WATCH_LINKS: "off", HOBBIN_LOG: "error" });
  const first = await startApplication({ env: { ...env, HOBBIN_STREAMS: "5000" }, port });
  // A second process on the same database, for what must hold in every process.
  await startApplication({ env: { ...env, HOBBIN_WORKER: "off" }, port: port + 5 });
  const second = {
    HOBBIN_FIRST: String(first.child.pid),
    HOBBIN_SECOND: `http://localhost:${port + 5}`,
    HOBBIN_WEB_PORT: String(web),
  };
  const code = await run(process.execPath, [await bundled(), ...process.argv.slice(2)], {
    cwd: ROOT,
    env: { ...process.env, ...env, ...second },
  });
  if (code !== 0) throw new Stop("The measuring failed; the words above say why.");
}

/**
 * What measures, as one file with what it measures, as the application is: what runs TypeScript as it is gives every
 * inner function its name again at each call, which would be measured too.
 */
async function bundled() {
  const { build } = await import("esbuild");
  const outfile = path.join(ROOT, "build/bench/run.mjs");
  await build({
    entryPoints: [path.join(ROOT, "tools/bench/run.ts")],
    outfile,
    bundle: true,
    packages: "external",
    platform: "node",
    format: "esm",
    target: "node20.10",
    alias: { "@": path.join(ROOT, "src") },
    sourcemap: "inline",
    logLevel: "error",
  });
  return outfile;
}

let ending;
/** Once, whoever asks for it: whoever asks again waits for the same end. */
function end(code) {
  ending ??= stopAll().then(() => {
    rmSync(folder, { recursive: true, force: true });
    process.exit(code);
  });
  return ending;
}
for (const name of ["SIGINT", "SIGTERM"]) process.on(name, () => void end(1));

try {
  await main();
  await end(0);
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  await end(1);
}
