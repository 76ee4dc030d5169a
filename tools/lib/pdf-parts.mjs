import { cpSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";

/** What shows PDF in the browser consists of: its script and its worker, maps of characters, letters, decoders of pictures. */
const PARTS = ["cmaps", "standard_fonts", "wasm"];
/** These two as they came, in the build for browsers of this year and, beside it, in the one for others. */
const SCRIPTS = ["pdf.min.mjs", "pdf.worker.min.mjs"];

/** Lays these out under the application's own origin, from the package as it is, by its version: browsers keep them. */
export function layOutPdfParts(root) {
  rmSync(path.join(root, "public/pdf"), { recursive: true, force: true });
  const { version } = JSON.parse(
    readFileSync(path.join(root, "node_modules/pdfjs-dist/package.json"), "utf8"),
  );
  const folder = path.join(root, "public/pdf", version);
  mkdirSync(folder, { recursive: true });
  const copy = (part, place) =>
    cpSync(path.join(root, "node_modules/pdfjs-dist", part), path.join(folder, place), { recursive: true });
  for (const part of PARTS) copy(part, part);
  for (const script of SCRIPTS) {
    copy(`build/${script}`, script);
    copy(`legacy/build/${script}`, `legacy/${script}`);
  }
}
