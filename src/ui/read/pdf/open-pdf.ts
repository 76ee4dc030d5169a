import type * as Library from "pdfjs-dist";
import { type Begun, openWith, type Reader, scriptsIn } from "./begin";
import type { Drawing } from "./draw-page";
import { PDF_NEEDS, PDF_PARTS } from "./parts";
import { piecesOf, type Source } from "./pieces";

/** A PDF that is open: what draws its pages, and how high its first one is by its width. */
export type OpenPdf = { reader: Reader; document: Library.PDFDocumentProxy; ratio: number };

const page = typeof window === "undefined" ? {} : (window as { hobbinPdf?: Begun });

/** How often it was asked for. A browser remembers that what it imports did not come: the next time it has another address. */
let asked = page.hobbinPdf ? 1 : 0;

async function load(): Promise<Reader> {
  const scripts = scriptsIn(PDF_PARTS, PDF_NEEDS);
  const address = `${scripts}pdf.min.mjs${asked ? `?${asked}` : ""}`;
  asked++;
  const library = (await import(/* turbopackIgnore: true */ address)) as typeof Library;
  library.GlobalWorkerOptions.workerSrc = `${scripts}pdf.worker.min.mjs`;
  return { library, worker: library.PDFWorker.create({}) };
}

/** Loaded with the page, or, for who came from another one or could not load it then, now. */
let reader: Promise<Reader> | undefined;
function readerNow(): Promise<Reader> {
  if (!reader) {
    reader = page.hobbinPdf?.reader.catch(load) ?? load();
    // What did not come is asked for again by the next one.
    reader.catch(() => (reader = undefined));
  }
  return reader;
}

/**
 * Opens a PDF of ours, or takes up what was begun with the page.
 * @returns the document once it is there, and what closes it
 */
export function openPdf(source: Source): { opened: Promise<OpenPdf>; close: () => void } {
  const begun = page.hobbinPdf?.src === source.src ? page.hobbinPdf : null;
  const openNow = async () => {
    const pieces = piecesOf(source);
    return openWith(await readerNow(), PDF_PARTS, source, pieces);
  };
  // Without what reads it nothing was opened.
  const opening = begun ? begun.reader.then(() => begun.opening, openNow) : openNow();
  const open = async () => {
    const document = await (await opening).document;
    const { width, height } = (await document.getPage(1)).getViewport({ scale: 1 });
    // The places of hundreds of pages come after the picture of the first.
    await begun?.first.then((one) => one?.drawing.done).catch(() => undefined);
    return { reader: await readerNow(), document, ratio: height / width };
  };
  return {
    opened: open(),
    close: () => {
      // What is opened again is opened anew.
      if (begun && page.hobbinPdf === begun) delete page.hobbinPdf;
      opening.then(({ close }) => close()).catch(() => undefined);
    },
  };
}

/**
 * What was drawn on a canvas before anything was alive; null: nothing was, or in another width, and it is to be drawn now.
 * Each is taken up once.
 */
export async function drawnBefore(canvas: HTMLCanvasElement, width: number): Promise<Drawing | null> {
  const first = await page.hobbinPdf?.first.catch(() => null);
  if (first?.canvas !== canvas) return null;
  page.hobbinPdf!.first = Promise.resolve(null);
  if (first.width === width) return first.drawing;
  // Two who draw on one canvas are in each other's way.
  first.drawing.cancel();
  await first.drawing.done.catch(() => undefined);
  return null;
}
