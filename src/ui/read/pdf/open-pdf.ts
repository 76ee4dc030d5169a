// The build for browsers that are not of this year. This file itself is loaded when a PDF is opened.
import * as library from "pdfjs-dist/legacy/build/pdf.mjs";

/** Where what it loads besides lies, under our own origin, by the version it is of. */
const PARTS = `/pdf/${library.version}/`;
library.GlobalWorkerOptions.workerSrc = `${PARTS}pdf.worker.min.mjs`;
const begun = window as { hobbinPdf?: Worker };
/** Begun before anything is asked of it: with the page, or, for who came from another one, now. */
const worker = library.PDFWorker.create({ port: begun.hobbinPdf });
delete begun.hobbinPdf;

export const { TextLayer } = library;

/** Opens a PDF of ours; only what is looked at is fetched. Nothing in it is run. */
export const openPdf = (url: string): library.PDFDocumentLoadingTask =>
  library.getDocument({
    ...{ url, worker, disableAutoFetch: true, disableStream: true, enableXfa: false, isEvalSupported: false },
    ...{ cMapUrl: `${PARTS}cmaps/`, cMapPacked: true, standardFontDataUrl: `${PARTS}standard_fonts/` },
    wasmUrl: `${PARTS}wasm/`,
  });
