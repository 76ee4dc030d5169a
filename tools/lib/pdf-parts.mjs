import { cpSync, mkdirSync, rmSync } from "node:fs";
import path from "node:path";

/** What shows PDF in the browser loads besides its script: its worker, maps of characters, letters, decoders of pictures. */
const PARTS = ["cmaps", "standard_fonts", "wasm", "legacy/build/pdf.worker.min.mjs"];

/** Lays these out under the application's own origin, from the package as it is. */
export function layOutPdfParts(root) {
  const folder = path.join(root, "public/pdf");
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const part of PARTS)
    cpSync(path.join(root, "node_modules/pdfjs-dist", part), path.join(folder, path.basename(part)), {
      recursive: true,
    });
}
