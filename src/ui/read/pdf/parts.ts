import { version } from "pdfjs-dist/package.json";

/** Where PDF.js and what it loads besides lies, under our own origin, by the version it is of (tools/lib/pdf-parts.mjs). */
export const PDF_PARTS = `/pdf/${version}/`;
