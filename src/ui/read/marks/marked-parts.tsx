"use client";

import dynamic from "next/dynamic";
import { type ReactNode, useRef, useState } from "react";
import { type Quote, quoteAt } from "@/core/marks/selectors";
import { SolidText } from "@/core/marks/solid-text";
import { may } from "@/core/policy/abilities";
import { Button } from "../../parts/button";
import type { Source } from "../pdf/pieces";
import { CopyMap } from "./copy-map";
import { focusNewNote } from "./focus-card";
import type { MarksShown } from "./marks-shown";
import { PartMarks, type Parts } from "./part-marks";
import { PictureParts } from "./picture-parts";
import type { Marked } from "./use-marks";

// Its first page has a place before anything is alive, and is drawn there (pdf/first-page.tsx).
const PdfPages = dynamic(() => import("../pdf/pdf-pages").then((m) => m.PdfPages));

type Props = MarksShown & {
  parts: Parts | null;
  /** A PDF that is shown as its pages, and the number of the text that is kept beside it. */
  pdf: { source: Source; title: string; copy: number | null } | null;
  /** Told when the first page of a PDF is there, or it is left to the browser. */
  onDrawn: () => void;
  /** What else is shown or played. */
  children: ReactNode;
};

/** Words of a page where they stand in the text that is kept beside it; null when they are not in it. */
function inCopy(quote: Quote, version: number | null): Marked {
  const root = document.querySelector<HTMLElement>("#main .reading");
  if (!root || version === null) return null;
  const { text } = new CopyMap(root);
  const found = new SolidText(text).find(quote);
  return found && { ...found, quote: quoteAt(text, found.start, found.end), version };
}

/** A film, a sound, a picture or the pages of a PDF with what is marked in it. */
export function MarkedParts({ children, pdf, onDrawn, ...props }: Props) {
  const { marks, shown, chosen, onChoose, team } = props;
  // What only the browser itself can show has no parts to be marked here.
  const [isForeign, setForeign] = useState(false);
  const parts = isForeign ? null : props.parts;
  const root = useRef<HTMLDivElement>(null);
  const [marking, setMarking] = useState(false);
  const [isLarge, setLarge] = useState(false);
  const brings = may(team.role, "bring");
  const [alone, setAlone] = useState(!brings);
  const add = (marked: Marked, meaning: string | null = null) => {
    setMarking(false);
    const id = marks.add(marked, { private: alone, meaning });
    onChoose(id);
    // What is typed now is the note.
    focusNewNote(id);
  };
  const made = (fragment: string) => add({ fragment });
  const drawn = { shown, chosen, onChoose, marking, onMade: made, onLeave: () => setMarking(false) };
  return (
    <>
      {parts === "regions" && (
        <Button small className="mt-6" onClick={() => setLarge(!isLarge)}>
          {isLarge ? "Fitted to the page" : "In its full size"}
        </Button>
      )}
      {/* Larger than the column it is moved about in a window of its own. */}
      <div
        className={
          parts === "regions" ? `mt-3 ${isLarge ? "max-h-[85vh] overflow-auto rounded-md" : ""}` : undefined
        }
        {...(isLarge && { tabIndex: 0, role: "region", "aria-label": "The picture in its full size" })}
      >
        <div
          ref={root}
          className={
            parts === "regions"
              ? `relative w-fit ${isLarge ? "[&_img]:max-w-none" : "max-w-full"}`
              : undefined
          }
        >
          {pdf ? (
            <PdfPages
              {...pdf}
              {...drawn}
              onForeign={() => {
                setForeign(true);
                onDrawn();
              }}
              onDrawn={onDrawn}
              meanings={marks.meanings}
              alone={alone}
              onAlone={brings ? setAlone : null}
              // Words that are kept beside it are marked there too, and the mark is one.
              onWords={(quote, page, meaning) =>
                add(inCopy(quote, pdf.copy) ?? { quote, fragment: `page=${page}` }, meaning)
              }
            />
          ) : (
            children
          )}
          {parts === "regions" && <PictureParts {...drawn} />}
        </div>
      </div>
      <PartMarks
        {...props}
        parts={parts}
        root={root}
        marking={marking}
        onMarking={setMarking}
        alone={alone}
        onAlone={setAlone}
        onMade={made}
      />
    </>
  );
}
