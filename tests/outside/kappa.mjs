import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/lib/R/site-library/psych/DESCRIPTION": "r-cran-psych" };

/** Made-up judgements of two people, the same each time; every answer there is stands in each table. */
function tables() {
  let state = 20_261_202;
  const draw = (below) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
    return Math.floor(((state >>> 8) / 2 ** 24) * below);
  };
  return Array.from({ length: 20 }, (_, number) => {
    const steps = 2 + (number % 4);
    const rest = Array.from({ length: 10 + draw(40) }, () => {
      const worth = draw(steps);
      return [1 + (draw(3) ? worth : draw(steps)), 1 + (draw(3) ? worth : draw(steps))];
    });
    return [...Array.from({ length: steps }, (_, i) => [i + 1, i + 1]), ...rest];
  });
}

/**
 * Has the package psych of R say how far two people agree, by Cohen's κ and the weighted ones.
 * @returns {Promise<{ version: string, said: { table: string[], cohen: number, linear: number, quadratic: number }[] }>} a row a thing
 */
export async function ask() {
  const all = tables();
  const script = `suppressMessages(library(psych)); cat(as.character(packageVersion("psych")), "\\n");
    for (x in list(${all.map((rows) => `matrix(c(${rows.flat()}), ncol = 2, byrow = TRUE)`).join(",")})) {
      k <- max(x); d <- abs(outer(1:k, 1:k, "-"))
      cat(sprintf("%.12f", c(cohen.kappa(x)$kappa, cohen.kappa(x, w = 1 - d / (k - 1))$weighted.kappa,
        cohen.kappa(x, w = 1 - d^2 / (k - 1)^2)$weighted.kappa)), "\\n")
    }`;
  const [version, ...lines] = (await execute("/usr/bin/Rscript", ["-e", script], 300_000)).trim().split("\n");
  const said = lines.map((line, i) => {
    const [cohen, linear, quadratic] = line.trim().split(/\s+/).map(Number);
    return { table: all[i].map((row) => row.join(" ")), cohen, linear, quadratic };
  });
  return { version: `psych ${version.trim()}`, said };
}
