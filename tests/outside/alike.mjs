import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/lib/python3/dist-packages/sklearn/__init__.py": "python3-sklearn" };

/**
 * Has scikit-learn find the ten nearest of each of some made-up collections, by TF-IDF and cosine.
 * @returns {Promise<{ version: string, said: Record<string, [string, number][]> }>} ids and cosines, the nearest first
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-alike-"));
  try {
    const texts = path.join(folder, "texts.json");
    await execute(process.execPath, ["--import", "tsx", "tests/outside/sources/write-truths.ts", texts]);
    return JSON.parse(await execute("/usr/bin/python3", ["tests/outside/alike.py", texts]));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
