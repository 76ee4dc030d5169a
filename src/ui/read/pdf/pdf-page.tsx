"use client";

import type { PDFDocumentProxy, RenderTask } from "pdfjs-dist";
import { useEffect, useMemo, useRef, useState } from "react";
import { readFragment, writeFragment } from "@/core/marks/fragments";
import { paint } from "../marks/paint";
import { PictureParts } from "../marks/picture-parts";
import { TextLayer } from "./open-pdf";
import { PageText } from "./page-text";
import type { PdfMarks } from "./pdf-marks";

type Props = PdfMarks & {
  document: PDFDocumentProxy;
  number: number;
  /** In CSS pixels. */
  width: number;
  /** Tells its height by its width. */
  onRatio: (page: number, ratio: number) => void;
  onDrawn: () => void;
  /** It is the one in the middle of what is seen. */
  isSeen: boolean;
};

/** No canvas is larger, in pixels of the screen. */
const MOST_PIXELS = 16_000_000;

/** A page of a PDF that is near: its picture, its words over it, its marks over these. */
export function PdfPage({ document: pdf, number, width, onRatio, onDrawn, isSeen, ...marks }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const layer = useRef<HTMLDivElement>(null);
  const [text, setText] = useState<PageText | null>(null);
  const drawn = useRef(onDrawn);
  useEffect(() => {
    drawn.current = onDrawn;
  });
  useEffect(() => {
    let isHere = true;
    let drawing: RenderTask | undefined;
    let letters: InstanceType<typeof TextLayer> | undefined;
    const words = layer.current!;
    const draw = async () => {
      const page = await pdf.getPage(number);
      if (!isHere) return;
      const whole = page.getViewport({ scale: 1 });
      const scale = width / whole.width;
      onRatio(number, whole.height / whole.width);
      const viewport = page.getViewport({ scale });
      const dense = Math.min(
        window.devicePixelRatio || 1,
        Math.sqrt(MOST_PIXELS / (viewport.width * viewport.height)),
      );
      const target = canvas.current!;
      target.width = Math.floor(viewport.width * dense);
      target.height = Math.floor(viewport.height * dense);
      drawing = page.render({ canvas: target, viewport, transform: [dense, 0, 0, dense, 0, 0] });
      words.replaceChildren();
      words.style.setProperty("--total-scale-factor", String(scale));
      letters = new TextLayer({ textContentSource: page.streamTextContent(), container: words, viewport });
      // Both are read by the same worker, and put on the page by the same thread, while the other waits for it.
      await Promise.all([drawing.promise, letters.render()]);
      if (!isHere) return;
      setText(new PageText(words));
      drawn.current();
    };
    // A page that cannot be drawn stays white; the others are there.
    draw().catch(() => isHere && drawn.current());
    return () => {
      isHere = false;
      drawing?.cancel();
      letters?.cancel();
      words.replaceChildren();
      setText(null);
    };
  }, [pdf, number, width, onRatio]);

  const { shown, meanings, chosen, onChoose, marking, onMade, onLeave } = marks;
  const here = useMemo(
    () => shown.filter((mark) => mark.fragment && readFragment(mark.fragment)?.page === number),
    [shown, number],
  );
  useEffect(() => {
    if (!text) return;
    const found = shown.flatMap((mark) => {
      if (!mark.quote || (mark.fragment && readFragment(mark.fragment)?.page !== number)) return [];
      const range = text.find({ exact: mark.quote, prefix: mark.prefix, suffix: mark.suffix });
      if (!range) return [];
      const look = meanings.find((one) => one.id === mark.meaning) ?? null;
      return [{ id: mark.id, range, look, sure: 100 }];
    });
    return paint(found, chosen);
  }, [text, shown, meanings, chosen, number]);
  return (
    <>
      <canvas ref={canvas} className="absolute inset-0 size-full" aria-hidden />
      <div ref={layer} className="pdf-words" />
      <PictureParts
        shown={here}
        {...{ chosen, onChoose, marking, onLeave }}
        focuses={isSeen}
        onMade={(fragment) =>
          onMade(
            writeFragment({ from: null, to: null, region: null, ...readFragment(fragment), page: number }),
          )
        }
      />
    </>
  );
}
