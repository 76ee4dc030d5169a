/**
 * `npm test`: sets up what it needs, runs every check there is against a throw-away database, and leaves no
 * process behind. The last line is "N passed, N failed".
 */
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { DOCUMENTS, ensureDebian } from "./lib/debian.mjs";
import { run, stopAll } from "./lib/processes.mjs";
import { bin, ensureBuild, ensurePackages, ROOT } from "./lib/project.mjs";
import { say, Stop } from "./lib/say.mjs";
import { startApplication } from "./lib/application.mjs";
import { seed, startAround } from "./lib/stack.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-test-"));
const total = { passed: 0, failed: 0 };

function count(what, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  say(`── ${what}: ${passed} passed, ${failed} failed`);
}

/** A check that is one thing: it holds or it does not. */
async function check(what, program, args) {
  const code = await run(bin(program), args, { cwd: ROOT });
  count(what, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

async function vitest(what, projects, env) {
  const report = path.join(folder, `${what}.json`);
  const args = [
    "run",
    ...projects.flatMap((name) => ["--project", name]),
    "--reporter=dot",
    "--reporter=json",
    `--outputFile.json=${report}`,
  ];
  const code = await run(bin("vitest"), args, { cwd: ROOT, env: { ...process.env, ...env } });
  const { numPassedTests = 0, numFailedTests = 0 } = read(report);
  // A file that cannot even be loaded has no test that fails.
  count(what, numPassedTests, Math.max(numFailedTests, code === 0 ? 0 : 1));
}

/** @param project "alone" for what promises times, "beside" for the rest */
async function playwright(project, env) {
  const report = path.join(folder, `${project}.json`);
  const code = await run(bin("playwright"), ["test", `--project=${project}`, "--reporter=list,json"], {
    cwd: ROOT,
    env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  const { expected = 0, unexpected = 0, flaky = 0 } = read(report).stats ?? {};
  count(`browser, ${project}`, expected, Math.max(unexpected + flaky, code === 0 ? 0 : 1));
}

function read(report) {
  try {
    return JSON.parse(readFileSync(report, "utf8"));
  } catch {
    return {};
  }
}

async function main() {
  await ensureDebian({
    "/usr/sbin/mariadbd": "mariadb-server",
    "/usr/bin/chromium": "chromium",
    "/usr/bin/bib2xml": "bibutils",
    "/usr/share/snowball/data/english/voc.txt": "snowball-data",
    "/usr/share/unicode/auxiliary/WordBreakTest.txt": "unicode-data",
    ...DOCUMENTS,
  });
  await ensurePackages();
  // What only reads the sources goes beside what builds them.
  await Promise.all([readSources(), build()]);
  await Promise.all([
    check("types", "tsc", ["--noEmit", "-p", "."]),
    vitest("unit and reference", ["unit", "reference"], {}),
  ]);

  const { port, web, url, env } = await startAround({ folder, base: 5800 });
  Object.assign(env, { HOBBIN_SIGN_IN_LIMIT: "1000", HOBBIN_LOG: "error" });
  await vitest("integration", ["integration"], { ...env, HOBBIN_LOG: "silent" });

  await emptyDatabase(url);
  await seed(env, web);
  await startApplication({ env, port });
  for (const project of ["alone", "beside"])
    await playwright(project, { ...env, HOBBIN_WEB_PORT: String(web) });
}

async function readSources() {
  await check("formatting", "prettier", ["--check", "--log-level=warn", "."]);
  await check("lint", "eslint", [".", "--max-warnings=0"]);
  await check("boundaries", "depcruise", ["src", "standin", "demo", "--config", ".dependency-cruiser.cjs"]);
  await check("nothing unused", "knip", []);
}

async function build() {
  await ensureBuild();
  // The extension as the tests drive it; see the note there.
  await run(process.execPath, [path.join(ROOT, "tools/build-extension.mjs"), "--test"], { cwd: ROOT });
}

/** The browser tests begin with the demo data and nothing else. */
async function emptyDatabase(url) {
  const { createConnection } = await import("mysql2/promise");
  const connection = await createConnection(url);
  await connection.query("DROP DATABASE hobbin");
  await connection.query("CREATE DATABASE hobbin CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci");
  await connection.end();
}

let ending;
/** Once, whoever asks for it: whoever asks again waits for the same end. */
function end() {
  return (ending ??= stopAll().then(() => rmSync(folder, { recursive: true, force: true })));
}
for (const name of ["SIGINT", "SIGTERM"]) process.on(name, () => void end().then(() => process.exit(1)));

try {
  await main();
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  total.failed++;
}
await end();
say(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed ? 1 : 0);
