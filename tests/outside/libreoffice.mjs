import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { copyFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = {
  "/usr/lib/libreoffice/program/libswlo.so": "libreoffice-writer-nogui",
  "/usr/lib/libreoffice/program/libsclo.so": "libreoffice-calc-nogui",
  "/usr/lib/libreoffice/program/libsdlo.so": "libreoffice-impress-nogui",
  "/usr/bin/pdftotext": "poppler-utils",
};

const SOURCES = "tests/outside/sources";
const FILES = "tests/reference/files";
/** What LibreOffice makes of the sources, to be read by Hobbin as files of somebody else. */
const MADE = {
  "levels.csv": ["xlsx", "ods"],
  "field-talk.fodp": ["pptx", "odp"],
  "with-links.fodt": ["odt"],
  "with-links.fodp": ["pptx"],
  "with-links.fods": ["xlsx"],
};
/** How the words of a file are had: straight away, or through a PDF where there is no other way. */
const WORDS = {
  docx: "txt:Text (encoded):UTF8",
  odt: "txt:Text (encoded):UTF8",
  xlsx: "csv:Text - txt - csv (StarCalc):9,0,76",
  ods: "csv:Text - txt - csv (StarCalc):9,0,76",
};

/**
 * Has LibreOffice write documents in the formats people send, and say which words stand in them and in those that are
 * here already.
 * @returns {Promise<{ version: string, said: Record<string, string[]> }>} the lines of each file, by its name
 */
export async function ask() {
  const work = mkdtempSync(path.join(os.tmpdir(), "hobbin-outside-"));
  const convert = (file, to) =>
    execute("soffice", [
      `-env:UserInstallation=file://${work}/profile`,
      "--headless",
      // Text comes and goes as UTF-8: commas, double quotes, character set 76.
      ...(file.endsWith(".csv") ? ["--infilter=CSV:44,34,76"] : []),
      "--convert-to",
      to,
      "--outdir",
      work,
      file,
    ]);
  try {
    const version = (await execute("soffice", ["--version"])).trim();
    for (const [source, endings] of Object.entries(MADE))
      for (const ending of endings) {
        await convert(path.join(SOURCES, source), ending);
        const made = `${path.parse(source).name}.${ending}`;
        await copyFile(path.join(work, made), path.join(FILES, made));
      }
    const said = {};
    for (const file of readdirSync(FILES).toSorted()) {
      const { name, ext } = path.parse(file);
      const direct = WORDS[ext.slice(1)];
      if (!direct && !Object.values(MADE).flat().includes(ext.slice(1))) continue;
      await convert(path.join(FILES, file), direct ?? "pdf");
      const text = direct
        ? readFileSync(path.join(work, `${name}.${direct.split(":")[0]}`), "utf8")
        : await execute("pdftotext", ["-layout", path.join(work, `${name}.pdf`), "-"]);
      said[file] = text
        .replace(/^\uFEFF/, "")
        .split(/[\n\f]/)
        .map((line) => line.trim())
        .filter(Boolean);
    }
    return { version, said };
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}
