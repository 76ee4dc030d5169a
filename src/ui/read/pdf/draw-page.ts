import type * as Library from "pdfjs-dist";

/*
 * Each of these needs nothing but what it is given: they are written into the page as they are (first-page.tsx), and are
 * done there before anything else on it is alive.
 */

/** What reads and shows PDFs: the library, and the worker it has. */
export type Reader = { library: typeof Library; worker: Library.PDFWorker };

/** Opens a PDF of ours; only what is looked at is fetched. Nothing in it is run. @param parts where the library's parts lie */
export const openWith = ({ library, worker }: Reader, parts: string, url: string) =>
  library.getDocument({
    ...{ url, worker, disableAutoFetch: true, disableStream: true, enableXfa: false, isEvalSupported: false },
    ...{ cMapUrl: `${parts}cmaps/`, cMapPacked: true, standardFontDataUrl: `${parts}standard_fonts/` },
    wasmUrl: `${parts}wasm/`,
  });

/** Where a page is drawn, and how wide, in CSS pixels. */
type Sheet = { canvas: HTMLCanvasElement; words: HTMLElement; width: number };

/** A page that is being drawn. */
export type Drawing = {
  /** Its height by its width. */
  ratio: number;
  done: Promise<unknown>;
  cancel: () => void;
};

/** Draws a page and lays its words over it, which is done at once: what one of them waits for the other does. */
export function drawPage(
  { library }: Reader,
  page: Library.PDFPageProxy,
  { canvas, words, width }: Sheet,
): Drawing {
  const whole = page.getViewport({ scale: 1 });
  const scale = width / whole.width;
  const viewport = page.getViewport({ scale });
  // No canvas has more than 16 million pixels of the screen.
  const most = Math.sqrt(16_000_000 / (viewport.width * viewport.height));
  const dense = Math.min(window.devicePixelRatio || 1, most);
  canvas.width = Math.floor(viewport.width * dense);
  canvas.height = Math.floor(viewport.height * dense);
  const drawing = page.render({ canvas, viewport, transform: [dense, 0, 0, dense, 0, 0] });
  words.replaceChildren();
  words.style.setProperty("--total-scale-factor", String(scale));
  const letters = new library.TextLayer({
    ...{ textContentSource: page.streamTextContent(), container: words, viewport },
  });
  return {
    ratio: whole.height / whole.width,
    done: Promise.all([drawing.promise, letters.render()]),
    cancel: () => {
      drawing.cancel();
      letters.cancel();
    },
  };
}

/** What was begun with the page, by `window.hobbinPdf`. */
export type Begun = {
  src: string;
  reader: Promise<Reader>;
  /** In an object, because what opens is waited for by itself. */
  opened: Promise<{ task: Library.PDFDocumentLoadingTask }>;
  /** Its first page, drawn where it shall stand; null: that was not there yet. */
  first: Promise<{ canvas: HTMLCanvasElement; width: number; drawing: Drawing } | null>;
};

/** Begins what takes longest: the worker, the library, the document, and its first page on the sheet that stands there. */
export function begin(parts: string, src: string, open: typeof openWith, draw: typeof drawPage): Begun {
  const port = new Worker(`${parts}pdf.worker.min.mjs`, { type: "module" });
  const loaded = import(/* turbopackIgnore: true */ `${parts}pdf.min.mjs`) as Promise<typeof Library>;
  const reader = loaded.then((library) => ({ library, worker: library.PDFWorker.create({ port }) }));
  const opened = reader.then((one) => ({ task: open(one, parts, src) }));
  const drawn = async () => {
    const page = await (await (await opened).task.promise).getPage(1);
    const sheet = document.querySelector<HTMLElement>("[data-page='1']");
    const canvas = sheet?.querySelector("canvas");
    const words = sheet?.querySelector<HTMLElement>(".pdf-words");
    if (!canvas || !words) return null;
    const width = Math.floor(sheet!.getBoundingClientRect().width);
    const drawing = draw(await reader, page, { canvas, words, width });
    sheet!.style.aspectRatio = String(1 / drawing.ratio);
    drawing.done.catch(() => undefined);
    return { canvas, width, drawing };
  };
  const first = drawn();
  // Whoever takes it up is told what went wrong.
  for (const one of [reader, opened, first]) one.catch(() => undefined);
  return { src, reader, opened, first };
}
