// The build for browsers that are not of this year. This file itself is loaded when a PDF is opened.
import * as library from "pdfjs-dist/legacy/build/pdf.mjs";

/** Where what it loads besides lies, under our own origin, by the version it is of. */
const PARTS = `/pdf/${library.version}/`;
library.GlobalWorkerOptions.workerSrc = `${PARTS}pdf.worker.min.mjs`;
/** Begun before anything is asked of it. */
const worker = new library.PDFWorker();

export const { TextLayer } = library;

/** Opens a PDF of ours; only what is looked at is fetched. Nothing in it is run. */
export const openPdf = (url: string): library.PDFDocumentLoadingTask =>
  library.getDocument({
    ...{ url, worker, disableAutoFetch: true, disableStream: true, enableXfa: false, isEvalSupported: false },
    ...{ cMapUrl: `${PARTS}cmaps/`, cMapPacked: true, standardFontDataUrl: `${PARTS}standard_fonts/` },
    wasmUrl: `${PARTS}wasm/`,
  });
