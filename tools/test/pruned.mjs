import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { execFileSync } from "node:child_process";
import path from "node:path";
import { ROOT, STATE } from "../lib/project.mjs";

/** What the built application needs beside its packages. */
const PARTS = ["package.json", "next.config.mjs", "tools", "public", "build", ".next", "src/data/migrations"];

/**
 * The built application in a folder of its own, with the packages `npm ci --omit=dev` would install and no others; as links to
 * the same files, so that it takes a second and no room.
 * @returns {string} the folder
 */
export function makePruned() {
  const folder = path.join(STATE, "pruned");
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(path.join(folder, "src/data"), { recursive: true });
  for (const part of PARTS) link(folder, part);
  rmSync(path.join(folder, ".next/cache"), { recursive: true, force: true });
  const { packages } = JSON.parse(readFileSync(path.join(ROOT, "package-lock.json"), "utf8"));
  const wanted = Object.entries(packages)
    .filter(
      ([name, { dev, devOptional }]) => /^node_modules\/(@[^/]+\/)?[^/]+$/.test(name) && !dev && !devOptional,
    )
    .map(([name]) => name);
  // Optional ones that are not for this system are not there.
  for (const name of wanted) if (existsSync(path.join(ROOT, name))) link(folder, name);
  return folder;
}

function link(folder, part) {
  mkdirSync(path.dirname(path.join(folder, part)), { recursive: true });
  execFileSync("cp", ["-al", path.join(ROOT, part), path.join(folder, part)]);
}
