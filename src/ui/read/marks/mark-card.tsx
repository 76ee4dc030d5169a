"use client";

import { Trash2 } from "lucide-react";
import { SURE } from "@/core/marks/place";
import { IconButton } from "../../parts/button";
import { PersonMark } from "../../parts/person-mark";
import { SavedText } from "../../parts/saved-text";
import { sayAgo } from "../../talk/say-time";
import { MeaningWord } from "./meaning-word";
import { WhoSees } from "./mark-strip";
import { SaidOnMarkShort, SaidOnMarkWhole } from "./said-on-mark";
import type { Mark, Meaning } from "./use-marks";

type MarkActs = {
  write: (mark: Mark, note: string, base: string[]) => Promise<unknown>;
  mean: (mark: Mark, meaning: string | null) => void;
  show: (mark: Mark, isPrivate: boolean) => void;
  remove: (mark: Mark) => void;
};

type Props = {
  mark: Mark;
  meanings: readonly Meaning[];
  me: string;
  /** What one may do: nothing to marks of the team as a viewer, everything to one's own. */
  changes: boolean;
  removes: boolean;
  chosen: boolean;
  /** Shows the passage with it, where it does not stand beside it. */
  quoted?: boolean;
  onChoose: (id: string | null) => void;
  acts: MarkActs;
  className?: string;
};

/** A mark: what it means, who made it, the note beside it. Chosen, all of it can be changed. */
export function MarkCard({
  mark,
  meanings,
  me,
  changes,
  removes,
  chosen,
  quoted,
  onChoose,
  acts,
  className,
}: Props) {
  const meaning = meanings.find((one) => one.id === mark.meaning);
  const own = mark.by.id === me;
  const isLost = mark.quote !== "" && mark.sure === 0 && !mark.fragment;
  const isBare = !mark.note && !quoted && !isLost;
  const isUnsure = mark.sure !== null && mark.sure > 0 && mark.sure < SURE * 100;
  return (
    <div
      id={`mark-${mark.id}`}
      role="group"
      tabIndex={0}
      aria-label={`${meaning?.name ?? (mark.quote ? "Mark" : "Note")} of ${own ? "you" : (mark.by.name ?? "somebody")}${mark.quote ? `: ${short(mark.quote)}` : ""}`}
      data-mark={mark.id}
      onFocus={() => !chosen && onChoose(mark.id)}
      className={`rounded-md border bg-sheet px-2.5 py-1.5 text-[15px] ${chosen ? "border-accent shadow-lift" : isBare ? "border-transparent" : "border-line"} ${className ?? ""}`}
    >
      <div className="flex items-center gap-1.5 text-sm text-quiet">
        <PersonMark person={{ id: mark.by.id, name: mark.by.name ?? "?" }} className="size-5 text-[10px]" />
        {meaning && <MeaningWord meaning={meaning} />}
        <span className="min-w-0 flex-1 truncate">{own ? "You" : (mark.by.name ?? "Somebody who left")}</span>
        {mark.private && !chosen && <WhoSees isPrivate onPrivate={null} />}
        {chosen && <span>{sayAgo(mark.createdAt)}</span>}
      </div>
      {isLost && (
        <p className="text-sm font-semibold text-warn">Place lost: these words stand here no more.</p>
      )}
      {isUnsure && <p className="text-sm text-warn">Its words have changed; this may be the place.</p>}
      {(quoted || isLost) && mark.quote && (
        <blockquote className="mt-1 border-l-3 border-line pl-2 font-serif text-quiet">
          {short(mark.quote, 280)}
        </blockquote>
      )}
      {chosen && changes ? (
        <>
          <SavedText
            lines
            hideLabel
            label="Note in the margin"
            placeholder="Write in the margin"
            value={mark.note}
            maxLength={4000}
            className="mt-1"
            inputClass="px-2! py-1! text-[15px]"
            onSave={(text, base) => acts.write(mark, text, base)}
            onKeyDown={(event) => {
              event.stopPropagation();
              if (event.key !== "Escape" || event.nativeEvent.isComposing) return;
              event.preventDefault();
              event.currentTarget.closest<HTMLElement>("[data-mark]")?.focus();
            }}
          />
          <div className="mt-1 flex flex-wrap items-center gap-1">
            {meanings
              .filter((one) => !one.removed || one.id === mark.meaning)
              .map((one) => (
                <button
                  key={one.id}
                  type="button"
                  aria-pressed={one.id === mark.meaning}
                  onClick={() => acts.mean(mark, one.id === mark.meaning ? null : one.id)}
                  className={`rounded px-0.5 py-1 text-sm ${one.id === mark.meaning ? "outline-2 outline-accent" : "opacity-80 hover:opacity-100"}`}
                >
                  <MeaningWord meaning={one} />
                </button>
              ))}
            <span className="ml-auto flex items-center">
              <WhoSees isPrivate={mark.private} onPrivate={own ? (on) => acts.show(mark, on) : null} />
              {removes && (
                <IconButton label="Take the mark away" onClick={() => acts.remove(mark)}>
                  <Trash2 size={16} aria-hidden />
                </IconButton>
              )}
            </span>
          </div>
        </>
      ) : (
        mark.note && <p className="mt-0.5 break-words whitespace-pre-line">{mark.note}</p>
      )}
      {!mark.private &&
        (chosen ? <SaidOnMarkWhole key={mark.id} mark={mark} /> : <SaidOnMarkShort mark={mark.id} />)}
    </div>
  );
}

const short = (text: string, most = 80) => {
  const line = text.replace(/\s+/g, " ");
  return line.length > most ? `${line.slice(0, most).trimEnd()} …` : line;
};
