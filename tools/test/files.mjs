import { existsSync } from "node:fs";
import path from "node:path";
import { ROOT } from "../lib/project.mjs";
import { Stop } from "../lib/say.mjs";

/**
 * Sorts what stands behind `npm test --` by what runs it.
 * @param {string[]} names files, or arguments for the runner, which begin with a dash
 * @returns {{ quick: string[], integration: string[], browser: string[], more: string[] }} quick ones need no stack
 */
export function sortFiles(names) {
  const sorted = { quick: [], integration: [], browser: [], more: [] };
  for (const [i, name] of names.entries()) {
    const there = existsSync(path.join(ROOT, name.replace(/:\d+$/, "")));
    // `-t words`: the value of an argument goes along with it.
    if (name.startsWith("-") || (!there && names[i - 1]?.startsWith("-"))) sorted.more.push(name);
    else if (!there) throw new Stop(`There is no file ${name}.`);
    else if (name.startsWith("tests/browser/")) sorted.browser.push(name);
    else if (name.startsWith("tests/integration/")) sorted.integration.push(name);
    else sorted.quick.push(name);
  }
  return sorted;
}
