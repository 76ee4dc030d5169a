import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/lib/R/site-library/vegan/DESCRIPTION": "r-cran-vegan" };

/** Numbers that are the same each time, so that the mixes are. */
function mixes() {
  let state = 20_261_201;
  const draw = (below) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
    return Math.floor(((state >>> 8) / 2 ** 24) * below);
  };
  return Array.from({ length: 20 }, (_, i) =>
    Array.from({ length: 1 + draw(12) }, () => (i % 4 === 0 ? draw(4) : 1 + draw(1 + 10 * i))),
  ).filter((counts) => counts.some(Boolean));
}

/**
 * Has the package vegan of R say how mixed made-up counts are.
 * @returns {Promise<{ version: string, said: { counts: number[], shannon: number, simpson: number, hill: number[] }[] }>} simpson
 *   as vegan's `simpson.unb`, 1 - Σ n(n-1)/N(N-1); hill of the orders 0, 1 and 2
 */
export async function ask() {
  const all = mixes();
  const script = `suppressMessages(library(vegan)); cat(as.character(packageVersion("vegan")), "\\n");
    for (x in list(${all.map((counts) => `c(${counts})`).join(",")})) cat(sprintf("%.12f", c(diversity(x), simpson.unb(x), renyi(x, scales = c(0, 1, 2), hill = TRUE))), "\\n")`;
  const [version, ...lines] = (await execute("/usr/bin/Rscript", ["-e", script], 300_000)).trim().split("\n");
  const said = lines.map((line, i) => {
    const [shannon, simpson, ...hill] = line.trim().split(/\s+/).map(Number);
    return { counts: all[i], shannon, simpson: Number.isNaN(simpson) ? null : simpson, hill };
  });
  return { version: `vegan ${version.trim()}`, said };
}
