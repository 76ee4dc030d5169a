"use client";

import type { PDFDocumentProxy, RenderTask } from "pdfjs-dist";
import { type RefObject, useEffect, useMemo, useRef, useState } from "react";
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
  /** Height by width, until the page itself says. */
  ratio: number;
  box: RefObject<HTMLElement | null>;
  onSeen: (page: number) => void;
  /** It is the one in the middle of what is seen. */
  isSeen: boolean;
};

/** A page is drawn this long before it comes into sight, and thrown away as far behind it. */
const NEAR = "150%";
/** No canvas is larger, in pixels of the screen. */
const MOST_PIXELS = 16_000_000;

/** A page of a PDF: its picture while it is near, its words over it, its marks over these. */
export function PdfPage({
  document: pdf,
  number,
  width,
  ratio: first,
  box,
  onSeen,
  isSeen,
  ...marks
}: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const layer = useRef<HTMLDivElement>(null);
  const [isNear, setNear] = useState(false);
  const [ratio, setRatio] = useState(first);
  const [text, setText] = useState<PageText | null>(null);
  useEffect(() => {
    const near = new IntersectionObserver(([entry]) => setNear(entry!.isIntersecting), {
      root: box.current,
      rootMargin: `${NEAR} 0px`,
    });
    const seen = new IntersectionObserver(([entry]) => entry!.isIntersecting && onSeen(number), {
      root: box.current,
      rootMargin: "-45% 0px -45% 0px",
    });
    near.observe(frame.current!);
    seen.observe(frame.current!);
    return () => {
      near.disconnect();
      seen.disconnect();
    };
  }, [box, number, onSeen]);
  useEffect(() => {
    if (!isNear) return;
    let isHere = true;
    let drawing: RenderTask | undefined;
    const words = layer.current!;
    const draw = async () => {
      const page = await pdf.getPage(number);
      if (!isHere) return;
      const whole = page.getViewport({ scale: 1 });
      const scale = width / whole.width;
      setRatio(whole.height / whole.width);
      const viewport = page.getViewport({ scale });
      const dense = Math.min(
        window.devicePixelRatio || 1,
        Math.sqrt(MOST_PIXELS / (viewport.width * viewport.height)),
      );
      const target = canvas.current!;
      target.width = Math.floor(viewport.width * dense);
      target.height = Math.floor(viewport.height * dense);
      drawing = page.render({ canvas: target, viewport, transform: [dense, 0, 0, dense, 0, 0] });
      await drawing.promise;
      if (!isHere) return;
      words.replaceChildren();
      words.style.setProperty("--total-scale-factor", String(scale));
      await new TextLayer({
        textContentSource: page.streamTextContent(),
        container: words,
        viewport,
      }).render();
      if (isHere) setText(new PageText(words));
    };
    // A page that cannot be drawn stays white; the others are there.
    draw().catch(() => undefined);
    return () => {
      isHere = false;
      drawing?.cancel();
      words.replaceChildren();
      setText(null);
    };
  }, [pdf, number, width, isNear]);

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
    <div
      ref={frame}
      data-page={number}
      className="relative mx-auto shrink-0 bg-[white]"
      style={{ width, height: width * ratio }}
    >
      {isNear && <canvas ref={canvas} className="absolute inset-0 size-full" aria-hidden />}
      <div ref={layer} className="pdf-words" />
      {isNear && (
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
      )}
    </div>
  );
}
