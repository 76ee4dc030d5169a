import type * as Library from "pdfjs-dist";

/** Where a page is drawn, and how wide, in CSS pixels. */
type Sheet = { canvas: HTMLCanvasElement; words: HTMLElement; width: number };

/** A page that is being drawn. */
export type Drawing = {
  /** Its height by its width. */
  ratio: number;
  done: Promise<unknown>;
  cancel: () => void;
};

/**
 * Draws a page and lays its words over it, which is done at once: what one of them waits for the other does.
 *
 * It needs nothing but what it is given: it is written into the page as it is (first-page.tsx).
 */
export function drawPage(
  { library }: { library: typeof Library },
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
