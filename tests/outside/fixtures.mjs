import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/bin/apt-get": "apt", "/usr/bin/gzip": "gzip" };

/**
 * Runs the published tests of the CSL project by the engine Hobbin cites with. They come inside the source of Debian's
 * haskell-citeproc, which is fetched with lists of its own, so that the machine's stay as they are.
 * @returns {Promise<{ version: string, said: Record<"same" | "other" | "failed", string[]> }>} their names, by what became
 *   of them
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-fixtures-"));
  try {
    const lists = path.join(folder, "lists");
    mkdirSync(path.join(lists, "partial"), { recursive: true });
    writeFileSync(path.join(folder, "empty"), "");
    const own = readFileSync("/etc/apt/sources.list.d/debian.sources", "utf8");
    const parts = path.join(folder, "parts");
    mkdirSync(parts);
    writeFileSync(path.join(parts, "source.sources"), own.replace(/^Types:.*$/gm, "Types: deb-src"));
    const apt = (...args) =>
      execute("apt-get", [
        ...["-q", "-o", `Dir::Etc::sourcelist=${folder}/empty`, "-o", `Dir::Etc::sourceparts=${parts}`],
        ...["-o", `Dir::State::lists=${lists}`, "-o", `APT::Sandbox::User=root`, ...args],
      ]);
    await apt("update");
    const here = process.cwd();
    process.chdir(folder);
    await apt("source", "--download-only", "haskell-citeproc").finally(() => process.chdir(here));
    const archive = readdirSync(folder).find((name) => name.endsWith(".orig.tar.gz"));
    await execute("tar", ["xzf", path.join(folder, archive), "-C", folder]);
    const unpacked = readdirSync(folder).find((name) => /^citeproc-[\d.]+$/.test(name));
    const outcome = await execute(process.execPath, [
      ...["--import", "tsx", "tests/outside/sources/run-fixtures.ts"],
      path.join(folder, unpacked, "test/csl"),
    ]);
    return {
      version: `the CSL test suite in Debian's haskell-citeproc (${unpacked})`,
      said: JSON.parse(outcome),
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
