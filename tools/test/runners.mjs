import { copyFileSync, readFileSync } from "node:fs";
import path from "node:path";
import { run } from "../lib/processes.mjs";
import { bin, ROOT, STATE } from "../lib/project.mjs";
import { say } from "../lib/say.mjs";

/** What the application of the walks logs. */
export const LOG = path.join(STATE, "test-server.log");

/** @type {{ passed: number, failed: number, broken: string[] }} */
const total = { passed: 0, failed: 0, broken: [] };

/** How many checks held and how many did not, so far, and the names of those that did not. */
export const counted = () => total;

/** Counts something that went wrong outside a single check. */
export const countFailure = (error) => count("what the tests stand on", 0, 1, [firstLine(String(error))]);

function count(what, passed, failed, names = failed ? [what] : []) {
  total.passed += passed;
  total.failed += failed;
  total.broken.push(...names);
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
  count(what, numPassedTests, Math.max(numFailedTests, code === 0 ? 0 : 1), testResults.flatMap(brokenIn));
}

/** What did not hold in a file of tests, and why, a line each. */
function brokenIn({ name, status, message, assertionResults }) {
  const file = path.relative(ROOT, name);
  const broken = assertionResults.filter((one) => one.status === "failed");
  if (!broken.length) return status === "failed" ? [`${file}: ${firstLine(message)}`] : [];
  return broken.map((one) => `${file} › ${one.fullName}: ${firstLine(one.failureMessages[0])}`);
}

const firstLine = (text = "") => text.split("\n", 1)[0].slice(0, 300);

/** Runs the walks through the real interface. A walk that fails leaves its picture, its trace and the
 * server's log in test-results/. */
export async function playwright({ env, folder, files = [], more = [] }) {
  const report = path.join(folder, "playwright.json");
  const code = await run(bin("playwright"), ["test", "--reporter=list,json", ...more, ...files], {
    cwd: ROOT,
    env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  if (code !== 0) copyFileSync(LOG, path.join(ROOT, "test-results/server.log"));
  const { stats = {}, suites = [] } = read(report);
  const { expected = 0, unexpected = 0, flaky = 0 } = stats;
  count("browser", expected, Math.max(unexpected + flaky, code === 0 ? 0 : 1), suites.flatMap(brokenWalks));
}

function brokenWalks({ suites = [], specs = [] }) {
  const broken = specs.filter((one) => !one.ok).map((one) => `${one.file}:${one.line} › ${one.title}`);
  return [...broken, ...suites.flatMap(brokenWalks)];
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
