import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/bin/pandoc": "pandoc" };

/**
 * Has pandoc's own citeproc set made-up works in the styles of six handbooks, by the files that come with Hobbin.
 * @returns {Promise<{ version: string, said: Record<string, string[]> }>} the entries it makes, by the style, in its order
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-pandoc-"));
  try {
    const works = path.join(folder, "works.json");
    await execute(process.execPath, ["--import", "tsx", "tests/outside/sources/write-works.ts", works]);
    const asked = path.join(folder, "asked.md");
    writeFileSync(asked, '---\nnocite: "@*"\nlang: en-US\n---\n');
    const said = {};
    for (const style of [
      ...["apa", "modern-language-association", "chicago-author-date", "ieee", "vancouver"],
      "harvard-cite-them-right",
    ]) {
      const text = await execute("pandoc", [
        ...[asked, "--citeproc", `--csl=assets/csl/styles/${style}.csl`, `--bibliography=${works}`],
        ...["--to", "plain", "--wrap=none"],
      ]);
      said[style] = text
        .split(/\n\s*\n/)
        .map((entry) => entry.replace(/\s+/g, " ").trim())
        .filter(Boolean);
    }
    return { version: (await execute("pandoc", ["--version"])).split("\n")[0], said };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
