import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = {
  "/usr/lib/python3/dist-packages/nltk/__init__.py": "python3-nltk",
  "/usr/lib/python3/dist-packages/sklearn/__init__.py": "python3-sklearn",
  "/usr/lib/python3/dist-packages/statsmodels/__init__.py": "python3-statsmodels",
};

/** Numbers that are the same each time, so that the tables are. */
function drawing() {
  let state = 20_260_301;
  return (below) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
    return Math.floor(((state >>> 8) / 2 ** 24) * below);
  };
}

/** Made-up judgements: people mostly near to what a thing is worth, some tables with gaps, from nearly one answer to all five. */
function tables() {
  const draw = drawing();
  return Array.from({ length: 24 }, (_, number) => {
    const [people, things, steps] = [2 + (number % 4), 8 + draw(30), 2 + draw(4)];
    const hasGaps = number % 3 === 2;
    return Array.from({ length: things }, () => {
      const worth = draw(steps);
      return Array.from({ length: people }, () => {
        if (hasGaps && draw(5) === 0) return null;
        return 1 + (draw(3) ? worth : draw(steps));
      });
    });
  });
}

/**
 * Has nltk, scikit-learn and statsmodels say how far the people of made-up tables agree.
 * @returns {Promise<{ version: string, said: ({ table: string[] } & Record<string, number>)[] }>} a row a thing, with - for a gap
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-agreement-"));
  try {
    const file = path.join(folder, "tables.json");
    writeFileSync(file, JSON.stringify(tables()));
    return JSON.parse(await execute("/usr/bin/python3", ["tests/outside/agreement.py", file]));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
