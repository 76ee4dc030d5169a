"use client";

import dynamic from "next/dynamic";
import { type ReactNode, useRef, useState } from "react";
import { may } from "@/core/policy/abilities";
import type { TeamRow } from "../../shell/who";
import { PartMarks, type Parts } from "./part-marks";
import { PictureParts } from "./picture-parts";
import type { Mark, Marked, useMarks } from "./use-marks";

const PdfPages = dynamic(() => import("../pdf/pdf-pages").then((m) => m.PdfPages), { ssr: false });

type Props = {
  me: string;
  team: TeamRow;
  marks: ReturnType<typeof useMarks>;
  shown: readonly Mark[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
  parts: Parts | null;
  /** A PDF that is shown as its pages, and whether its text is kept beside it. */
  pdf: { src: string; title: string; hasCopy: boolean } | null;
  /** What else is shown or played. */
  children: ReactNode;
};

/** A film, a sound, a picture or the pages of a PDF with what is marked in it. */
export function MarkedParts({ children, pdf, ...props }: Props) {
  const { marks, shown, chosen, onChoose, parts, team } = props;
  const root = useRef<HTMLDivElement>(null);
  const [marking, setMarking] = useState(false);
  const brings = may(team.role, "bring");
  const [alone, setAlone] = useState(!brings);
  const add = (marked: Marked, meaning: string | null = null) => {
    setMarking(false);
    const id = marks.add(marked, { private: alone, meaning });
    onChoose(id);
    // What is typed now is the note.
    requestAnimationFrame(() =>
      document.querySelector<HTMLElement>(`[data-mark="${id}"] textarea`)?.focus({ preventScroll: !!pdf }),
    );
  };
  const made = (fragment: string) => add({ fragment });
  const drawn = { shown, chosen, onChoose, marking, onMade: made, onLeave: () => setMarking(false) };
  return (
    <>
      <div ref={root} className={parts === "regions" ? "relative mt-6 w-fit max-w-full" : undefined}>
        {pdf ? (
          <PdfPages
            {...pdf}
            {...drawn}
            meanings={marks.meanings}
            alone={alone}
            onAlone={brings ? setAlone : null}
            // Words that are kept beside it are found there too, and the mark is one.
            onWords={(quote, page, meaning) =>
              add({ quote, fragment: pdf.hasCopy ? "" : `page=${page}` }, meaning)
            }
          />
        ) : (
          children
        )}
        {parts === "regions" && <PictureParts {...drawn} />}
      </div>
      <PartMarks
        {...props}
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
