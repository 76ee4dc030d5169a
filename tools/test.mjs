/**
 * `npm test`: sets up what it needs, runs every check there is against a throw-away database, and leaves no
 * process behind. The last line is "N passed, N failed".
 *
 * `npm test -- FILE …` runs only these files: unit, reference, integration or browser tests, or the parts of their
 * names. When `npm run test:watch` keeps a stack running, it is used, and nothing has to be started.
 */
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { sayTimes, timed } from "./lib/clock.mjs";
import { DOCUMENTS, ensureDebian } from "./lib/debian.mjs";
import { run, stopAll } from "./lib/processes.mjs";
import { ensureBuild, ensurePackages, ROOT } from "./lib/project.mjs";
import { say, Stop } from "./lib/say.mjs";
import { check, counted, countFailure, playwright, vitest } from "./test/runners.mjs";
import { sortFiles } from "./test/files.mjs";
import { resetDemo, startDemo, startGround } from "./test/stack.mjs";
import { keptStack } from "./test/kept.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-test-"));
const REFERENCES = {
  "/usr/bin/bib2xml": "bibutils",
  "/usr/share/snowball/data/english/voc.txt": "snowball-data",
  "/usr/share/unicode/auxiliary/WordBreakTest.txt": "unicode-data",
  // Read back what goes out: codes from the screen and from paper, feeds, XML.
  "/usr/bin/zbarimg": "zbar-tools",
  "/usr/bin/w3m": "w3m",
  "/usr/bin/style": "diction",
  "/usr/bin/qpdf": "qpdf",
  "/usr/lib/python3/dist-packages/openpyxl/__init__.py": "python3-openpyxl",
  "/usr/lib/python3/dist-packages/feedparser/__init__.py": "python3-feedparser",
  "/usr/bin/xmllint": "libxml2-utils",
};

async function everything() {
  await timed("Debian's programs", () =>
    ensureDebian({
      "/usr/sbin/mariadbd": "mariadb-server",
      "/usr/bin/chromium": "chromium",
      ...REFERENCES,
      ...DOCUMENTS,
    }),
  );
  await timed("packages", ensurePackages);
  // What only reads the sources goes beside what builds them.
  await Promise.all([timed("build", build), readSources()]);
  const ground = await timed("database and stand-ins", () => startGround({ folder, base: 5800 }));
  await timed("integration", () => vitest("integration", ["integration"], { env: ground.env, folder }));
  const { env } = await timed("demo data and application", () => startDemo(ground));
  await timed("browser", () => playwright({ env, folder }));
}

async function readSources() {
  const reads = [
    ["unit and reference", () => vitest("unit and reference", ["unit", "page", "reference"], { folder })],
    // The same compiler written anew, three times as quick; the linter needs the other one still.
    [
      "types",
      () => check("types", "../typescript-native/bin/tsc", ["--noEmit", "--incremental", "false", "-p", "."]),
    ],
    ["lint", () => check("lint", "eslint", [".", "--max-warnings=0"])],
    ["formatting", () => check("formatting", "prettier", ["--check", "--log-level=warn", "."])],
    [
      "boundaries",
      () =>
        check("boundaries", "depcruise", ["src", "standin", "demo", "--config", ".dependency-cruiser.cjs"]),
    ],
    [
      "the picture of the house",
      () => check("the picture of the house", "../../tools/house.mjs", ["--check"]),
    ],
    [
      "the description of answers",
      () => check("the description of answers", "tsx", ["tools/describe-outputs.ts", "--check"]),
    ],
    ["nothing unused", () => check("nothing unused", "knip", ["--no-config-hints"])],
  ];
  for (const [what, work] of reads) await timed(what, work);
}

async function build() {
  await ensureBuild();
  // The extension as the tests drive it; see the note there.
  await run(process.execPath, [path.join(ROOT, "tools/build-extension.mjs"), "--test"], { cwd: ROOT });
}

/** Only these files, on a stack that is kept, or on one of their own. */
async function some(names) {
  await ensurePackages();
  const { quick, integration, browser, more } = sortFiles(names);
  if (quick.length)
    await vitest("unit and reference", ["unit", "page", "reference"], { folder, files: quick, more });
  if (!integration.length && !browser.length) return;
  await ensureDebian({
    "/usr/sbin/mariadbd": "mariadb-server",
    "/usr/bin/chromium": "chromium",
    ...REFERENCES,
    ...DOCUMENTS,
  });
  await build();
  const kept = await keptStack();
  const ground = kept ?? (await startGround({ folder, base: 5800 }));
  if (integration.length)
    await vitest("integration", ["integration"], { env: ground.env, folder, files: integration, more });
  if (browser.length && kept) await resetDemo(kept.env.HOBBIN_DATABASE_URL);
  if (browser.length)
    await playwright({ env: kept?.browser ?? (await startDemo(ground)).env, folder, files: browser, more });
}

let ending;
/** Once, whoever asks for it: whoever asks again waits for the same end. */
function end() {
  return (ending ??= stopAll().then(() => rmSync(folder, { recursive: true, force: true })));
}
for (const name of ["SIGINT", "SIGTERM"]) process.on(name, () => void end().then(() => process.exit(1)));

const names = process.argv.slice(2);
try {
  await (names.length ? some(names) : everything());
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  countFailure(error);
}
await end();
sayTimes();
const { passed, failed, broken } = counted();
// Said last of all: whoever has only the end of what was printed knows where to look.
if (broken.length) say(`What did not hold:\n${broken.map((one) => `  ✘ ${one}`).join("\n")}\n`);
say(`${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
