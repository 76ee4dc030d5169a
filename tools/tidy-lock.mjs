/**
 * `npm run lock`: takes optional packages out of the lock file that are not locked themselves. A registry that
 * serves only one system's builds leaves such gaps, and `npm ci` refuses a lock with gaps.
 */
import { readFileSync, writeFileSync } from "node:fs";

const lock = JSON.parse(readFileSync("package-lock.json", "utf8"));
const paths = Object.keys(lock.packages);
let removed = 0;
for (const [place, entry] of Object.entries(lock.packages))
  for (const name of Object.keys(entry.optionalDependencies ?? {})) {
    // A package is found in its own node_modules or in one further out, as Node looks for it.
    const found = paths.some(
      (path) =>
        path.endsWith(`node_modules/${name}`) &&
        place.startsWith(path.slice(0, path.length - `node_modules/${name}`.length).replace(/\/$/, "")),
    );
    if (found) continue;
    delete entry.optionalDependencies[name];
    if (!Object.keys(entry.optionalDependencies).length) delete entry.optionalDependencies;
    removed++;
  }
writeFileSync("package-lock.json", `${JSON.stringify(lock, null, 2)}\n`);
process.stdout.write(`${removed} optional packages without an entry taken out of the lock\n`);
