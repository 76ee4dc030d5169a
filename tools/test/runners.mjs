import { copyFileSync, readFileSync } from "node:fs";
import path from "node:path";
import { run } from "../lib/processes.mjs";
import { bin, ROOT, STATE } from "../lib/project.mjs";
import { say } from "../lib/say.mjs";

/** What the application of the walks logs. */
export const LOG = path.join(STATE, "test-server.log");

const total = { passed: 0, failed: 0 };

/** How many checks held and how many did not, so far. */
export const counted = () => total;

/** Counts something that went wrong outside a single check. */
export const countFailure = () => void total.failed++;

function count(what, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  say(`── ${what}: ${passed} passed, ${failed} failed`);
}

/** Runs a check that is one thing: it holds or it does not. */
export async function check(what, program, args) {
  const code = await run(bin(program), args, { cwd: ROOT });
  count(what, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

/**
 * Runs projects of Vitest.
 * @param {string} what their name in the summary
 * @param {string[]} projects
 * @param {{ env?: object, folder: string, files?: string[], more?: string[] }} options settings for the tests, a
 *   folder for the report, the files to run (else all), and further arguments
 */
export async function vitest(what, projects, { env = {}, folder, files = [], more = [] }) {
  const report = path.join(folder, "vitest.json");
  const args = [
    "run",
    ...projects.flatMap((name) => ["--project", name]),
    "--reporter=dot",
    "--reporter=json",
    `--outputFile.json=${report}`,
    ...more,
    ...files,
  ];
  const code = await run(bin("vitest"), args, { cwd: ROOT, env: { ...process.env, ...env } });
  const { numPassedTests = 0, numFailedTests = 0, testResults = [] } = read(report);
  saySlowest(testResults.map((one) => [path.relative(ROOT, one.name), one.endTime - one.startTime]));
  // A file that cannot even be loaded has no test that fails.
  count(what, numPassedTests, Math.max(numFailedTests, code === 0 ? 0 : 1));
}

/** Runs the walks through the real interface. A walk that fails leaves its picture, its trace and the
 * server's log in test-results/. */
export async function playwright({ env, folder, files = [], more = [] }) {
  const report = path.join(folder, "playwright.json");
  const code = await run(bin("playwright"), ["test", "--reporter=list,json", ...more, ...files], {
    cwd: ROOT,
    env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  if (code !== 0) copyFileSync(LOG, path.join(ROOT, "test-results/server.log"));
  const { expected = 0, unexpected = 0, flaky = 0 } = read(report).stats ?? {};
  count("browser", expected, Math.max(unexpected + flaky, code === 0 ? 0 : 1));
}

function saySlowest(files) {
  const slowest = files.filter(([, ms]) => ms > 5_000).sort((a, b) => b[1] - a[1]);
  for (const [name, ms] of slowest.slice(0, 12)) say(`   ${(ms / 1000).toFixed(1).padStart(6)} s  ${name}`);
}

function read(report) {
  try {
    return JSON.parse(readFileSync(report, "utf8"));
  } catch {
    return {};
  }
}
