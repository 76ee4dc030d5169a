import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";

/** What zbarimg (Debian's zbar-tools) reads of the QR codes in these pictures. */
const read = (files: string[]): string[] =>
  execFileSync("zbarimg", ["-q", "--raw", "-Sdisable", "-Sqrcode.enable", ...files], { encoding: "utf8" })
    .trim()
    .split("\n");

function inFolder<T>(work: (folder: string) => T): T {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-codes-"));
  try {
    return work(folder);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** The QR codes in pictures. */
export const codesOn = (pictures: Buffer[]): string[] =>
  inFolder((folder) =>
    read(
      pictures.map((bytes, i) => {
        const file = path.join(folder, `${i}.png`);
        writeFileSync(file, bytes);
        return file;
      }),
    ),
  );

/** The QR codes on what was printed, by pages, at 150 dots an inch, as pdftoppm (Debian's poppler-utils) draws them. */
export const codesPrinted = (pdf: Buffer): string[][] =>
  inFolder((folder) => {
    writeFileSync(path.join(folder, "printed.pdf"), pdf);
    execFileSync("pdftoppm", ["-r", "150", "-gray", "-png", "printed.pdf", "page"], { cwd: folder });
    return readdirSync(folder)
      .filter((name) => name.endsWith(".png"))
      .sort()
      .map((name) => read([path.join(folder, name)]));
  });
