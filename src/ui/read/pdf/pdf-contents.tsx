"use client";

import { useEffect, useRef, useState } from "react";
import { type OutlineLine, outlineLines } from "@/core/read/pdf-places";
import type { OpenPdf } from "./open-pdf";
import type { Dest } from "./place-of";

const LOOK = "block w-full py-1 text-left text-accent hover:underline";

/** The contents of a PDF, when it brings an outline: parts and chapters to go to. */
export function PdfContents({ pdf, onGo }: { pdf: OpenPdf; onGo: (dest: Dest) => void }) {
  const [lines, setLines] = useState<OutlineLine[]>([]);
  const [isOpen, setOpen] = useState(false);
  const box = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    let isHere = true;
    pdf.document
      .getOutline()
      .then((outline) => isHere && setLines(outlineLines(outline ?? [])))
      // One that cannot be read is none.
      .catch(() => undefined);
    return () => {
      isHere = false;
    };
  }, [pdf]);
  /** The pages are what is looked at now. */
  const go = (dest: Dest) => {
    box.current!.open = false;
    onGo(dest);
  };
  if (!lines.length) return null;
  return (
    <details
      ref={box}
      className="min-w-0 flex-1 pb-2 text-[15px]"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="w-fit text-quiet hover:text-ink">Contents</summary>
      {isOpen && (
        <ol
          aria-label="Contents"
          className="mt-1 max-h-[40vh] overflow-auto rounded-md border border-line px-3 py-1"
        >
          {lines.map(({ title, depth, dest, address }, i) => (
            <li key={i} style={{ paddingInlineStart: `${depth * 1.25}rem` }}>
              {address ? (
                <a href={address} target="_blank" rel="noreferrer" className={LOOK}>
                  {title}
                </a>
              ) : dest ? (
                <button type="button" className={LOOK} onClick={() => go(dest)}>
                  {title}
                </button>
              ) : (
                <span className="block py-1 text-quiet">{title}</span>
              )}
            </li>
          ))}
        </ol>
      )}
    </details>
  );
}
