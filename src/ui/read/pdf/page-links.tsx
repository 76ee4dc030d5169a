"use client";

import type * as Library from "pdfjs-dist";
import { useEffect, useState } from "react";
import { safeAddress } from "@/core/read/pdf-places";
import type { OpenPdf } from "./open-pdf";
import type { Dest } from "./place-of";

/** In parts of its page. */
type Box = { left: number; top: number; width: number; height: number };
/** What is pressed leads to an address, or to a place of the document; it lies on one line or on several. */
type Link = { boxes: Box[]; name: string; address: string | null; dest: Dest | null };

/** What PDF.js tells of an annotation, as far as it is looked at. */
type Annotation = {
  subtype?: string;
  rect?: number[] | null;
  /** Of each line four corners. */
  quadPoints?: ArrayLike<number>;
  overlaidText?: string;
  url?: string;
  dest?: Dest | null;
};

/** More than these on one page are no links to be read. */
const MOST = 500;
const CORNERS = 8;

function boxOf(viewport: Library.PageViewport, corners: readonly number[]): Box {
  const points = corners.flatMap((x, i) =>
    i % 2 ? [] : [viewport.convertToViewportPoint(x, corners[i + 1]!) as [number, number]],
  );
  const [xs, ys] = [points.map(([x]) => x / viewport.width), points.map(([, y]) => y / viewport.height)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return { left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
}

function linkOf(viewport: Library.PageViewport, one: Annotation): Link[] {
  const address = safeAddress(one.url);
  const dest = one.dest ?? null;
  if (one.subtype !== "Link" || !one.rect || (!address && !dest)) return [];
  const lines = Array.from(one.quadPoints ?? []);
  const boxes: Box[] = [];
  for (let i = 0; i + CORNERS <= lines.length; i += CORNERS)
    boxes.push(boxOf(viewport, lines.slice(i, i + CORNERS)));
  if (!boxes.length) boxes.push(boxOf(viewport, one.rect));
  const words = one.overlaidText?.replace(/\s+/g, " ").trim();
  return [{ boxes, name: words || address || "Another place in it", address, dest }];
}

const percent = ({ left, top, width, height }: Box) => ({
  ...{ left: `${left * 100}%`, top: `${top * 100}%` },
  ...{ width: `${width * 100}%`, height: `${height * 100}%` },
});

const LOOK =
  "pointer-events-auto absolute cursor-pointer rounded-sm hover:bg-[color-mix(in_srgb,var(--accent)_18%,transparent)]";

/** The links of a page, over its words: out of the document in a tab of their own, within it to their place. */
export function PageLinks({
  pdf,
  number,
  onGo,
}: {
  pdf: OpenPdf;
  number: number;
  onGo: (dest: Dest) => void;
}) {
  const [links, setLinks] = useState<Link[]>([]);
  useEffect(() => {
    let isHere = true;
    const read = async () => {
      const page = await pdf.document.getPage(number);
      const viewport = page.getViewport({ scale: 1 });
      const all = (await page.getAnnotations()) as Annotation[];
      if (isHere) setLinks(all.flatMap((one) => linkOf(viewport, one)).slice(0, MOST));
    };
    // A page whose links cannot be read is one without.
    read().catch(() => undefined);
    return () => {
      isHere = false;
    };
  }, [pdf, number]);
  return (
    <div className="pdf-links pointer-events-none absolute inset-0">
      {links.flatMap(({ boxes, name, address, dest }, i) =>
        boxes.map((box, line) => {
          // It is met once, on the first of its lines.
          const common = {
            ...{ className: LOOK, style: percent(box), draggable: false },
            ...(line ? { "aria-hidden": true, tabIndex: -1 } : { "aria-label": name }),
          };
          return address ? (
            <a key={`${i} ${line}`} href={address} target="_blank" rel="noreferrer" {...common} />
          ) : (
            <button key={`${i} ${line}`} type="button" onClick={() => onGo(dest!)} {...common} />
          );
        }),
      )}
    </div>
  );
}
