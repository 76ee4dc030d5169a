import type * as Library from "pdfjs-dist";
import type { Drawing, drawPage } from "./draw-page";
import type { Pieces, piecesOf, Source } from "./pieces";

/*
 * Each of these needs nothing but what it is given: they are written into the page as they are (first-page.tsx), and are
 * done there before anything else on it is alive.
 */

/** What reads and shows PDFs: the library, and the worker it has. */
export type Reader = { library: typeof Library; worker: Library.PDFWorker };

/** Where library and worker lie that this browser can run. @param parts where all parts lie; @param needs of the newest build */
export function scriptsIn(parts: string, needs: readonly string[]): string {
  const has = (name: string) => {
    const path = name.split(".");
    const last = path.pop()!;
    const on = path.reduce(
      (at, key) => (at as Record<string, unknown> | undefined)?.[key],
      globalThis as unknown,
    );
    return on != null && last in Object(on);
  };
  return needs.every(has) ? parts : `${parts}legacy/`;
}

/** A document that is being opened; its pages come by it for as long as it is not closed. */
export type Opening = { document: Promise<Library.PDFDocumentProxy>; close: () => void };

/** Opens a PDF of ours. Nothing in it is run. @param parts where the library's parts lie */
export function openWith(
  { library, worker }: Reader,
  parts: string,
  { bytes }: Source,
  { whole, beginning, piece, stop }: Pieces,
): Opening {
  const open = (from: { data: Uint8Array } | { range: Library.PDFDataRangeTransport }) =>
    library.getDocument({
      ...{ ...from, worker, disableAutoFetch: true, disableStream: true },
      ...{ enableXfa: false, isEvalSupported: false, wasmUrl: `${parts}wasm/` },
      ...{ cMapUrl: `${parts}cmaps/`, cMapPacked: true, standardFontDataUrl: `${parts}standard_fonts/` },
    });
  const range = new library.PDFDataRangeTransport(bytes, null);
  const refused = new Promise<never>((_, refuse) => {
    range.requestDataRange = (from, to) => {
      // Nobody may wait for it any more.
      piece(from, to)
        .then((came) => range.onDataRange(from, came))
        .catch(refuse);
    };
  });
  range.abort = stop;
  beginning((came) => range.onDataProgressiveRead(came));
  const opening = whole ? whole.then((data) => open({ data })) : Promise.resolve(open({ range }));
  const document = Promise.race([opening.then((task) => task.promise), refused]);
  document.catch(() => undefined);
  return {
    document,
    close: () => {
      stop();
      opening.then((task) => task.destroy()).catch(() => undefined);
    },
  };
}

/** What was begun with the page, by `window.hobbinPdf`. */
export type Begun = {
  src: string;
  reader: Promise<Reader>;
  opening: Promise<Opening>;
  /** Its first page, drawn where it shall stand; null: that was not there yet. */
  first: Promise<{ canvas: HTMLCanvasElement; width: number; drawing: Drawing } | null>;
};

/** All that `begin` does it with. */
type Means = {
  scriptsIn: typeof scriptsIn;
  piecesOf: typeof piecesOf;
  openWith: typeof openWith;
  drawPage: typeof drawPage;
};

/** Begins what takes longest: the worker, the library, the document, and its first page on the sheet that stands there. */
export function begin(source: Source, parts: string, needs: readonly string[], means: Means): Begun {
  const scripts = means.scriptsIn(parts, needs);
  const port = new Worker(`${scripts}pdf.worker.min.mjs`, { type: "module" });
  const loaded = import(/* turbopackIgnore: true */ `${scripts}pdf.min.mjs`) as Promise<typeof Library>;
  const pieces = means.piecesOf(source);
  const reader = loaded.then((library) => ({ library, worker: library.PDFWorker.create({ port }) }));
  const opening = reader.then((one) => means.openWith(one, parts, source, pieces));
  const drawn = async () => {
    const page = await (await (await opening).document).getPage(1);
    const sheet = document.querySelector<HTMLElement>("[data-page='1']");
    const canvas = sheet?.querySelector("canvas");
    const words = sheet?.querySelector<HTMLElement>(".pdf-words");
    if (!canvas || !words) return null;
    const width = Math.floor(sheet!.getBoundingClientRect().width);
    const drawing = means.drawPage(await reader, page, { canvas, words, width });
    sheet!.style.aspectRatio = String(1 / drawing.ratio);
    // Browsers' own tools show it, and what measures takes it from there (User Timing).
    drawing.done.then(() => performance.mark("first-page")).catch(() => undefined);
    return { canvas, width, drawing };
  };
  const first = drawn();
  // Whoever takes it up is told what went wrong.
  for (const one of [reader, opening, first]) one.catch(() => undefined);
  return { src: source.src, reader, opening, first };
}
