/**
 * `npm run test:outside`: asks large programs nobody here wrote, which it installs, and writes down what they said, by
 * which script and when. `npm test` compares Hobbin with that, and needs none of them.
 */
import { readdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { ensureDebian } from "./lib/debian.mjs";
import { ROOT } from "./lib/project.mjs";
import { say, Stop } from "./lib/say.mjs";

process.chdir(ROOT);
const FOLDER = "tests/outside";
const wanted = process.argv.slice(2);

try {
  for (const file of readdirSync(FOLDER).filter((name) => name.endsWith(".mjs") && name !== "execute.mjs")) {
    const name = path.parse(file).name;
    if (wanted.length && !wanted.includes(name)) continue;
    const { PROGRAMS, ask } = await import(pathToFileURL(path.resolve(FOLDER, file)).href);
    await ensureDebian(PROGRAMS);
    say(`Asking ${name} …`);
    const { version, said, ...more } = await ask();
    const record = {
      version,
      script: `${FOLDER}/${file}`,
      date: new Date().toISOString().slice(0, 10),
      ...more,
      said,
    };
    writeFileSync(path.join(FOLDER, "said", `${name}.json`), `${JSON.stringify(record, null, 2)}\n`);
    say(`${version}: ${Object.keys(said).length} files, written to ${FOLDER}/said/${name}.json`);
  }
} catch (error) {
  if (!(error instanceof Stop)) throw error;
  say(error.message);
  process.exit(1);
}
