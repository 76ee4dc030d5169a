"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import { readFragment, writeFragment } from "@/core/marks/fragments";
import { paint } from "../marks/paint";
import { PictureParts } from "../marks/picture-parts";
import { type Drawing, drawPage } from "./draw-page";
import { drawnBefore, type OpenPdf } from "./open-pdf";
import { PageLinks } from "./page-links";
import { PageText } from "./page-text";
import type { PdfMarks } from "./pdf-marks";
import type { Dest } from "./place-of";

type Props = PdfMarks & {
  /** Null until it is open; meanwhile its first page may have been drawn already. */
  pdf: OpenPdf | null;
  number: number;
  /** In CSS pixels. */
  width: number;
  /** Tells its height by its width. */
  onRatio: (page: number, ratio: number) => void;
  onDrawn: () => void;
  /** A link to another place of the document is followed. */
  onGo: (dest: Dest) => void;
  /** It is the one in the middle of what is seen. */
  isSeen: boolean;
};

/** A page of a PDF that is near: its picture, its words over it, its marks over these. */
export function PdfPage({ pdf, number, width, onRatio, onDrawn, onGo, isSeen, ...marks }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const layer = useRef<HTMLDivElement>(null);
  const [text, setText] = useState<PageText | null>(null);
  const drawn = useRef(onDrawn);
  useEffect(() => {
    drawn.current = onDrawn;
  });
  useEffect(() => {
    // Before it is known how wide it is to be, nothing is.
    if (!pdf || !width) return;
    let isHere = true;
    let drawing: Drawing | null = null;
    const target = canvas.current!;
    const words = layer.current!;
    const draw = async () => {
      const [page, before] = await Promise.all([pdf.document.getPage(number), drawnBefore(target, width)]);
      drawing = before;
      if (!isHere) return;
      drawing ??= drawPage(pdf.reader, page, { canvas: target, words, width });
      onRatio(number, drawing.ratio);
      await drawing.done;
      if (!isHere) return;
      setText(new PageText(words));
      drawn.current();
    };
    // A page that cannot be drawn stays white; the others are there.
    draw().catch(() => isHere && drawn.current());
    return () => {
      isHere = false;
      drawing?.cancel();
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
      {/* What is in it is none of React's. */}
      <div
        ref={layer}
        className="pdf-words"
        suppressHydrationWarning
        dangerouslySetInnerHTML={{ __html: "" }}
      />
      {text && pdf && <PageLinks pdf={pdf} number={number} onGo={onGo} />}
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
