"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { Button, IconButton } from "../../parts/button";
import { toast } from "../../talk/toast";
import { openPdf, type OpenPdf } from "./open-pdf";
import { PdfContents } from "./pdf-contents";
import { PdfSelection } from "./pdf-selection";
import type { PdfMarks } from "./pdf-marks";
import { PdfPage } from "./pdf-page";
import type { Source } from "./pieces";
import { type Dest, type Place, placeOf } from "./place-of";
import { usePagesInSight } from "./use-pages-in-sight";

type Props = PdfMarks & {
  source: Source;
  title: string;
  /** It cannot be shown here, and the browser's own reader takes it. */
  onForeign: () => void;
  /** Told when a page is drawn. */
  onDrawn: () => void;
};

/** What most documents are printed on: height by width (ISO 216). */
const A4 = Math.SQRT2;
/** So much is seen above a place that is gone to, in CSS pixels. */
const ABOVE = 12;
/** What was pressed may be thrown away with its page. */
const focusOn = (sheet: HTMLElement) => {
  sheet.tabIndex = -1;
  sheet.focus({ preventScroll: true });
};
const SCALES = [0.75, 1, 1.25, 1.5, 2, 3];

/** A PDF as its pages: only those that are looked at are drawn, with their words over them to be selected. */
export function PdfPages({ source: { src, bytes }, title, onForeign, onDrawn, ...marks }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [pdf, setPdf] = useState<OpenPdf | null>(null);
  const [failed, setFailed] = useState(false);
  const [scale, setScale] = useState(1);
  const [width, setWidth] = useState(0);
  /** Whether a page was drawn: what else a document brings is looked for behind that. */
  const [isDrawn, setDrawn] = useState(false);
  /** Where one was before a link was followed. */
  const [was, setWas] = useState<Place | null>(null);
  const foreign = useRef(onForeign);
  useEffect(() => {
    let isHere = true;
    const { opened, close } = openPdf({ src, bytes });
    opened
      .then((open) => isHere && setPdf(open))
      .catch(() => {
        if (!isHere) return;
        setFailed(true);
        foreign.current();
      });
    return () => {
      isHere = false;
      close();
    };
  }, [src, bytes]);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    watch.observe(box.current!);
    return () => watch.disconnect();
  }, []);
  const { near, at } = usePagesInSight(box, pdf?.document ?? null);
  // Of most documents all pages are of one size; those that are not say so when they are drawn.
  const [ratios, setRatios] = useState<ReadonlyMap<number, number>>(new Map());
  const noteRatio = useCallback(
    (page: number, ratio: number) =>
      setRatios((old) => (old.get(page) === ratio ? old : new Map(old).set(page, ratio))),
    [],
  );
  // Parameters every viewer knows: the page itself, no list of pages beside it. A browser's own may open what this one cannot: what is protected by a password, what is damaged.
  if (failed)
    return (
      <iframe
        src={`${src}#navpanes=0&view=FitH`}
        title={title}
        className="mt-6 h-[80vh] w-full rounded-md border border-line"
      />
    );
  const count = pdf?.document.numPages ?? 0;
  const sheetOf = (page: number) => box.current?.querySelector<HTMLElement>(`[data-page="${page}"]`);
  /** How far the top of a page is below what is seen; only the pages move, and what stands over them stays. */
  const below = (sheet: HTMLElement) =>
    sheet.getBoundingClientRect().top - box.current!.getBoundingClientRect().top - box.current!.clientTop;
  const goTo = ({ page, part }: Place) => {
    const sheet = sheetOf(page);
    if (!sheet) return;
    box.current!.scrollIntoView({ block: "nearest" });
    box.current!.scrollTop += below(sheet) + (part ? part * sheet.offsetHeight - ABOVE : 0);
  };
  /** Goes where a link or a line of the contents leads, and remembers the way back. */
  const follow = async (dest: Dest) => {
    const place = pdf && (await placeOf(pdf.document, dest).catch(() => null));
    // It may have been left meanwhile.
    if (!box.current) return;
    const here = sheetOf(at);
    if (!place || !here) return toast("That leads to no page of this document.");
    setWas({ page: at, part: (ABOVE - below(here)) / here.offsetHeight });
    goTo(place);
    focusOn(sheetOf(place.page)!);
  };
  const goBack = (place: Place) => {
    setWas(null);
    goTo(place);
    focusOn(sheetOf(place.page)!);
  };
  const step = (by: number) => setScale(SCALES[SCALES.indexOf(scale) + by] ?? scale);
  return (
    <div className="mt-6">
      <div
        role="group"
        aria-label="Pages"
        className="flex flex-wrap items-center gap-1 pb-2 text-[15px] text-quiet"
      >
        <span role="status" className="mr-auto tabular-nums">
          {count ? `Page ${at} of ${count}` : "Opening …"}
        </span>
        <IconButton label="Page before" disabled={at <= 1} onClick={() => goTo({ page: at - 1, part: 0 })}>
          <span aria-hidden>↑</span>
        </IconButton>
        <IconButton label="Next page" disabled={at >= count} onClick={() => goTo({ page: at + 1, part: 0 })}>
          <span aria-hidden>↓</span>
        </IconButton>
        <IconButton label="Smaller" disabled={scale === SCALES[0]} onClick={() => step(-1)}>
          <span aria-hidden>−</span>
        </IconButton>
        <IconButton label="Larger" disabled={scale === SCALES.at(-1)} onClick={() => step(1)}>
          <span aria-hidden>+</span>
        </IconButton>
      </div>
      <div className="flex items-start gap-2">
        {pdf && isDrawn && <PdfContents pdf={pdf} onGo={(dest) => void follow(dest)} />}
        {was && (
          <Button small look="line" className="mb-2 ml-auto" onClick={() => goBack(was)}>
            Back to page {was.page}
          </Button>
        )}
      </div>
      <PdfSelection {...marks} />
      <div
        ref={box}
        role="region"
        aria-label={`Pages of ${title}`}
        tabIndex={0}
        className="flex h-[80vh] flex-col gap-3 overflow-auto rounded-md border border-line bg-sunk"
      >
        {Array.from({ length: count || 1 }, (_, i) => (
          <div
            key={i}
            data-page={i + 1}
            className="relative mx-auto shrink-0 bg-[white]"
            style={{
              // Where the first one stands before anything is alive; of what size it is, is seen when it is drawn.
              ...{ width: width ? width * scale : "100%" },
              aspectRatio: 1 / (ratios.get(i + 1) ?? pdf?.ratio ?? A4),
            }}
          >
            {near.has(i + 1) && (
              <PdfPage
                pdf={pdf}
                number={i + 1}
                width={width * scale}
                onRatio={noteRatio}
                onDrawn={() => {
                  setDrawn(true);
                  onDrawn();
                }}
                onGo={(dest) => void follow(dest)}
                isSeen={i + 1 === at}
                {...marks}
              />
            )}
          </div>
        ))}
      </div>
    </div>
  );
}
