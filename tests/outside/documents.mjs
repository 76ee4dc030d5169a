import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = {
  "/usr/bin/java": "openjdk-17-jre-headless",
  "/usr/share/java/epubcheck.jar": "epubcheck",
  "/usr/lib/libreoffice/program/libswlo.so": "libreoffice-writer-nogui",
  "/usr/bin/pandoc": "pandoc",
  "/usr/bin/mutool": "mupdf-tools",
  "/usr/bin/chromium": "chromium",
};
/** Ace, by the DAISY Consortium: what a book lacks for people who do not see, or read otherwise. */
const ACE = "@daisy/ace@1.4.6";

/**
 * Shows documents Hobbin writes to programs of others: a book to EPUBCheck and Ace, and a document of a word processor to LibreOffice
 * and pandoc.
 * @returns {Promise<{ version: string, said: Record<string, string[]> }>} what EPUBCheck and Ace complained of; the headings
 *   LibreOffice finds, as the outline of the PDF it makes; the addresses pandoc finds, in their order
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-documents-"));
  try {
    await execute(process.execPath, ["--import", "tsx", "tests/outside/sources/write-documents.ts", folder]);
    const file = (name) => path.join(folder, name);
    // With errors it ends as if it had failed; what it found is in the file all the same.
    const book = ["-jar", "/usr/share/java/epubcheck.jar", file("course.epub"), "--json", file("said.json")];
    await execute("java", book).catch(() => undefined);
    const checked = JSON.parse(readFileSync(file("said.json"), "utf8"));
    await execute("soffice", [
      `-env:UserInstallation=file://${folder}/profile`,
      ...["--headless", "--convert-to", "pdf", "--outdir", folder, file("course.docx")],
    ]);
    await execute("soffice", [
      `-env:UserInstallation=file://${folder}/profile`,
      ...["--headless", "--convert-to", "pdf", "--outdir", folder, file("in-template.docx")],
    ]);
    const inTemplate = await execute("mutool", ["show", file("in-template.pdf"), "outline"]);
    const words = await execute("mutool", ["draw", "-F", "txt", file("in-template.pdf"), "1"]);
    const outline = await execute("mutool", ["show", file("course.pdf"), "outline"]);
    const markdown = await execute("pandoc", [file("course.docx"), "-t", "json"]);
    const said = {
      Ace: await ace(folder, file("course.epub")),
      EPUBCheck: checked.messages.map(({ ID, message }) => `${ID}: ${message}`),
      "LibreOffice, headings": headingsOf(outline),
      "LibreOffice, in a template": [
        ...headingsOf(inTemplate),
        ...words.split("\n").filter((line) => /Moor-Schule|Before it/.test(line)),
      ],
      "pandoc, links": [...markdown.matchAll(/"(https:\/\/[^"]+)"/g)].map((one) => one[1]),
    };
    const versions = [
      ACE,
      `EPUBCheck ${checked.checker.checkerVersion}`,
      (await execute("soffice", ["--version"])).trim(),
      (await execute("pandoc", ["--version"])).split("\n")[0],
    ];
    return { version: versions.join(", "), said };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Every assertion that failed, by the file it is about. */
async function ace(folder, book) {
  writeFileSync(path.join(folder, "package.json"), "{}");
  // What it would fetch besides is a browser, and Debian has one.
  const env = ["PUPPETEER_SKIP_DOWNLOAD=1", "PUPPETEER_EXECUTABLE_PATH=/usr/bin/chromium"];
  const install = ["npm", "install", "--ignore-scripts", "--no-audit", "--no-fund", "--prefix", folder, ACE];
  await execute("env", [...env, ...install], 600_000);
  const out = path.join(folder, "ace");
  const program = path.join(folder, "node_modules", ".bin", "ace-puppeteer");
  await execute("env", [...env, `HOME=${folder}`, program, "--force", "--outdir", out, book], 300_000);
  const { assertions } = JSON.parse(readFileSync(path.join(out, "report.json"), "utf8"));
  return assertions.flatMap(({ "earl:testSubject": subject, assertions: all }) =>
    all
      .filter((one) => one["earl:result"]["earl:outcome"] === "fail")
      .map(
        (one) => `${subject.url}: ${one["earl:test"]["dct:title"]}: ${one["earl:result"]["dct:description"]}`,
      ),
  );
}

const headingsOf = (outline) =>
  outline
    .split("\n")
    .flatMap((line) => /"(.*)"/.exec(line)?.[1] ?? [])
    .map((title) => title.replace(/\s{2,}.*$/, ""));
