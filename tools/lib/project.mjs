import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { run } from "./processes.mjs";
import { say, Stop } from "./say.mjs";

export const ROOT = fileURLToPath(new URL("../..", import.meta.url)).replace(/\/$/, "");
export const STATE = path.join(ROOT, ".hobbin");
export const bin = (name) => path.join(ROOT, "node_modules/.bin", name);

/** Installs the packages when they are not those of the lock file. */
export async function ensurePackages() {
  const [major] = process.versions.node.split(".").map(Number);
  if (major < 20) throw new Stop(`Hobbin needs Node 20 or newer; this is ${process.versions.node}.`);
  const lock = createHash("sha256")
    .update(readFileSync(path.join(ROOT, "package-lock.json")))
    .digest("hex");
  const stamp = path.join(ROOT, "node_modules/.hobbin-lock");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  say("Installing packages …");
  const quiet = ["--no-audit", "--no-fund", "--loglevel=error"];
  // A lock may lack optional packages of other systems, which `npm ci` takes amiss.
  if (
    (await run("npm", ["ci", ...quiet], { cwd: ROOT })) !== 0 &&
    (await run("npm", ["install", "--no-save", ...quiet], { cwd: ROOT })) !== 0
  )
    throw new Stop("The packages could not be installed; npm's own words above say why.");
  writeFileSync(stamp, lock);
}

/** Builds the application when its sources are not those of the last build. */
export async function ensureBuild() {
  const hash = createHash("sha256");
  for (const file of [
    "package-lock.json",
    "next.config.mjs",
    "tsconfig.json",
    "postcss.config.mjs",
    "tools/build.mjs",
    "tools/build-extension.mjs",
    "tools/cut-letters.mjs",
    ...files("extension"),
    ...files("tools/lib"),
    ...files("src"),
    ...files("public").filter((file) => !/^public\/(extension\/|pdf\/|fonts\/.*woff2$)/.test(file)),
  ])
    hash.update(file).update(readFileSync(path.join(ROOT, file)));
  const now = hash.digest("hex");
  if (existsSync(path.join(ROOT, "build")) && buildStamp() === now) return;
  say("Building …");
  mkdirSync(STATE, { recursive: true });
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" };
  if (
    (await run(process.execPath, [path.join(ROOT, "tools/build.mjs")], {
      cwd: ROOT,
      env,
      output: process.env.HOBBIN_VERBOSE ? "inherit" : "ignore",
    })) !== 0
  )
    throw new Stop("The build failed. Run `npm run build` to see why.");
  writeFileSync(STAMP, now);
}

const STAMP = path.join(ROOT, ".next/hobbin-build");
/** Tells one build from another; null when there is none, or one is being made. */
export const buildStamp = () => (existsSync(STAMP) ? readFileSync(STAMP, "utf8") : null);

function files(folder) {
  if (!existsSync(path.join(ROOT, folder))) return [];
  return readdirSync(path.join(ROOT, folder), { recursive: true })
    .map((name) => path.join(folder, name))
    .filter((name) => statSync(path.join(ROOT, name)).isFile())
    .sort();
}
