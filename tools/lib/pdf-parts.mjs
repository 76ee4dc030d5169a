import { cpSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";

/** What shows PDF in the browser consists of: its script and its worker, maps of characters, letters, decoders of pictures. */
const PARTS = [
  "cmaps",
  "standard_fonts",
  "wasm",
  // The build for browsers that are not of this year, as it came: all that shows PDF has the same one.
  "legacy/build/pdf.min.mjs",
  "legacy/build/pdf.worker.min.mjs",
];

/** Lays these out under the application's own origin, from the package as it is, by its version: browsers keep them. */
export function layOutPdfParts(root) {
  rmSync(path.join(root, "public/pdf"), { recursive: true, force: true });
  const { version } = JSON.parse(
    readFileSync(path.join(root, "node_modules/pdfjs-dist/package.json"), "utf8"),
  );
  const folder = path.join(root, "public/pdf", version);
  mkdirSync(folder, { recursive: true });
  for (const part of PARTS)
    cpSync(path.join(root, "node_modules/pdfjs-dist", part), path.join(folder, path.basename(part)), {
      recursive: true,
    });
}
