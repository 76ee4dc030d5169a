import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";
import { openFirefox } from "./marionette.mjs";

export const PROGRAMS = {
  "/usr/bin/firefox-esr": "firefox-esr",
  "/usr/bin/pandoc": "pandoc",
  "/usr/lib/libreoffice/program/libsclo.so": "libreoffice-calc-nogui",
};

/**
 * Has programs of others take in what Hobbin wrote and give it out again, and that once more: bookmarks by Firefox, references
 * by pandoc, tables by LibreOffice.
 * @returns {Promise<{ version: string, said: Record<string, string[]> }>} the lines of what each gave out, once and twice
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-there-"));
  const at = (name) => path.join(folder, name);
  const said = {};
  const keep = (name, file) =>
    (said[name] = readFileSync(file, "utf8")
      .replace(/^\uFEFF/, "")
      // Pictures of pages Firefox made up on the way are none of ours.
      .replace(/ ICON(_URI)?="[^"]*"/g, "")
      .split(/\r?\n/));
  try {
    await execute(process.execPath, ["--import", "tsx", "tests/outside/sources/there-and-back.ts", folder]);

    const firefox = await openFirefox();
    try {
      await firefox.throughBookmarks(at("bookmarks.html"), at("once.html"));
      await firefox.throughBookmarks(at("once.html"), at("twice.html"));
    } finally {
      await firefox.close();
    }
    keep("bookmarks by Firefox, once", at("once.html"));
    keep("bookmarks by Firefox, twice", at("twice.html"));

    const pandoc = (from, to, file, made) =>
      execute("pandoc", ["-f", from, "-t", to, "--wrap=none", "-s", at(file), "-o", at(made)]);
    await pandoc("bibtex", "csljson", "works.bib", "once.json");
    await pandoc("csljson", "bibtex", "once.json", "twice.bib");
    await pandoc("csljson", "biblatex", "works.json", "once.bib");
    await pandoc("biblatex", "csljson", "once.bib", "twice.json");
    keep("BibTeX by pandoc, once (CSL-JSON)", at("once.json"));
    keep("BibTeX by pandoc, twice (BibTeX)", at("twice.bib"));
    keep("CSL-JSON by pandoc, once (BibLaTeX)", at("once.bib"));
    keep("CSL-JSON by pandoc, twice (CSL-JSON)", at("twice.json"));

    const office = async (file, to, into) => {
      mkdirSync(at(into), { recursive: true });
      // Text comes and goes as UTF-8: commas, double quotes, character set 76; all cells as they stand.
      await execute("soffice", [
        ...[`-env:UserInstallation=file://${folder}/profile`, "--headless"],
        ...(file.endsWith(".csv") ? ["--infilter=CSV:44,34,76,1,,0,true,false"] : []),
        ...["--convert-to", to, "--outdir", at(into), at(file)],
      ]);
    };
    const CSV = "csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,true,false";
    await office("table.csv", "xlsx", "one");
    await office("one/table.xlsx", CSV, "one");
    await office("one/table.csv", "ods", "two");
    await office("two/table.ods", CSV, "two");
    keep("CSV by LibreOffice, once", at("one/table.csv"));
    keep("CSV by LibreOffice, twice", at("two/table.csv"));
    await office("book.xlsx", CSV, "book");
    keep("XLSX by LibreOffice, first sheet", at("book/book.csv"));
    const versions = await Promise.all([
      execute("pandoc", ["--version"]).then((text) => text.split("\n")[0]),
      execute("soffice", ["--version"]).then((text) => text.trim()),
    ]);
    return { version: [firefox.version, ...versions].join(", "), said };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
