"use client";

import { useEffect, useState } from "react";
import { type Quote, quoteAt, snapped } from "@/core/marks/selectors";
import { isForField } from "../../shell/commands";
import { useWindowKeys } from "../../shell/use-window-keys";
import { MarkStrip } from "../marks/mark-strip";
import { PageText } from "./page-text";
import type { PdfMarks } from "./pdf-marks";

/** The words of a page that are selected; what goes on to the next page is not of it. */
function selectedNow(): { quote: Quote; page: number } | null {
  const selection = document.getSelection();
  if (!selection || selection.isCollapsed || !selection.rangeCount) return null;
  const { startContainer, startOffset, endContainer, endOffset } = selection.getRangeAt(0);
  const layer = startContainer.parentElement?.closest<HTMLElement>(".pdf-words");
  const page = Number(layer?.closest<HTMLElement>("[data-page]")?.dataset.page);
  if (!layer || !page) return null;
  const words = new PageText(layer);
  const start = words.placeOf(startContainer, startOffset);
  if (start === null) return null;
  const end = words.placeOf(endContainer, endOffset) ?? words.text.length;
  const span = snapped(words.text, start, end);
  return span && { quote: quoteAt(words.text, span.start, span.end), page };
}

/** What can be done with words of a PDF that are selected; above its pages, so that it covers none. */
export function PdfSelection({ meanings, onWords, alone, onAlone }: PdfMarks) {
  const [is, setIs] = useState(false);
  useEffect(() => {
    const look = () => setIs(selectedNow() !== null);
    document.addEventListener("selectionchange", look);
    return () => document.removeEventListener("selectionchange", look);
  }, []);
  const offered = meanings.filter((one) => !one.removed);
  const mark = (meaning: string | null) => {
    const now = selectedNow();
    if (!now) return;
    document.getSelection()?.removeAllRanges();
    onWords(now.quote, now.page, meaning);
  };
  useWindowKeys((event) => {
    if (!is || isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    const key = event.key.toLowerCase();
    if (key === "m") mark(null);
    else if (/^[1-9]$/.test(key) && offered[Number(key) - 1]) mark(offered[Number(key) - 1]!.id);
    else return;
    event.preventDefault();
  });
  if (!is) return null;
  return (
    <div className="relative z-10 h-0">
      <div className="absolute top-1 left-1">
        <MarkStrip meanings={offered} isPrivate={alone} onPrivate={onAlone} onMark={mark} />
      </div>
    </div>
  );
}
