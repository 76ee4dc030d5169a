/**
 * `npm run release -- FOLDER`: writes what runs, and nothing else, into a new folder: the build, and of the packages the
 * files that are loaded. It is a fifth of what `npm ci --omit=dev` installs. There it is started as everywhere:
 * `node tools/run-built.mjs server` (or worker, migrate, backup, search-rebuild).
 */
import path from "node:path";
import { ensureBuild, ensurePackages } from "./lib/project.mjs";
import { writeRelease } from "./lib/release.mjs";
import { say, Stop } from "./lib/say.mjs";

const [folder] = process.argv.slice(2);
try {
  if (!folder) throw new Stop("Say where to: npm run release -- FOLDER");
  await ensurePackages();
  await ensureBuild();
  const { files, bytes } = await writeRelease(path.resolve(folder));
  say(`${files} files, ${Math.round(bytes / 1e6)} MB, in ${folder}`);
} catch (error) {
  if (!(error instanceof Stop)) throw error;
  say(error.message);
  process.exitCode = 1;
}
