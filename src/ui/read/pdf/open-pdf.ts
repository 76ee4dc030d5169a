import type { PDFDocumentLoadingTask } from "pdfjs-dist";

/** What shows PDF; loaded when one is opened. The build for browsers that are not of this year. */
export const pdfLibrary = async () => {
  const library = await import("pdfjs-dist/legacy/build/pdf.mjs");
  // From our own origin, as everything it loads besides.
  library.GlobalWorkerOptions.workerSrc = "/pdf/pdf.worker.min.mjs";
  return library;
};

/** Opens a PDF of ours; only what is looked at is fetched. Nothing in it is run. */
export async function openPdf(url: string): Promise<PDFDocumentLoadingTask> {
  const library = await pdfLibrary();
  return library.getDocument({
    ...{ url, disableAutoFetch: true, disableStream: true, enableXfa: false, isEvalSupported: false },
    ...{
      cMapUrl: "/pdf/cmaps/",
      cMapPacked: true,
      standardFontDataUrl: "/pdf/standard_fonts/",
      wasmUrl: "/pdf/wasm/",
    },
  });
}
