import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/bin/glpsol": "glpk-utils" };

/**
 * Has GLPK find the best choice of what fits into the time, by branch and cut of its own.
 * @returns {Promise<{ version: string, said: number[] }>} what the best of each case is worth
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-fit-"));
  try {
    await execute(process.execPath, ["--import", "tsx", "tests/outside/sources/fit.ts", folder]);
    const said = [];
    for (let i = 0; i < readdirSync(folder).filter((name) => name.endsWith(".lp")).length; i++) {
      const out = path.join(folder, `${i}.txt`);
      const lp = path.join(folder, `${i}.lp`);
      await execute("/usr/bin/glpsol", ["--lp", lp, "--cuts", "--fpump", "-o", out], 900_000);
      const text = readFileSync(out, "utf8");
      if (!/Status:\s+INTEGER OPTIMAL/.test(text)) throw new Error(`Case ${i}: ${text.slice(0, 400)}`);
      said.push(Number(/Objective:\s+worth = (\S+)/.exec(text)[1]));
    }
    const version = (await execute("/usr/bin/glpsol", ["--version"])).split("\n")[0];
    return { version, said };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
