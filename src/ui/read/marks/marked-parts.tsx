"use client";

import { type ReactNode, useRef, useState } from "react";
import { may } from "@/core/policy/abilities";
import type { TeamRow } from "../../shell/who";
import { PartMarks, type Parts } from "./part-marks";
import { PictureParts } from "./picture-parts";
import type { Mark, useMarks } from "./use-marks";

type Props = {
  me: string;
  team: TeamRow;
  marks: ReturnType<typeof useMarks>;
  shown: readonly Mark[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
  parts: Parts | null;
  /** What is shown or played. */
  children: ReactNode;
};

/** A film, a sound or a picture with what is marked in it. */
export function MarkedParts({ children, ...props }: Props) {
  const { marks, shown, chosen, onChoose, parts, team } = props;
  const root = useRef<HTMLDivElement>(null);
  const [marking, setMarking] = useState(false);
  const [alone, setAlone] = useState(!may(team.role, "bring"));
  const made = (fragment: string) => {
    setMarking(false);
    const id = marks.add({ fragment }, { private: alone });
    onChoose(id);
    // What is typed now is the note.
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-mark="${id}"] textarea`)?.focus());
  };
  return (
    <>
      <div ref={root} className={parts === "regions" ? "relative mt-6 w-fit max-w-full" : undefined}>
        {children}
        {parts === "regions" && (
          <PictureParts
            {...{ shown, chosen, onChoose, marking }}
            onMade={made}
            onLeave={() => setMarking(false)}
          />
        )}
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
