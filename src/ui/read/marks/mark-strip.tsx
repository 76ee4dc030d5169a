"use client";

import { Lock, Users } from "lucide-react";
import { KEYS } from "../../shell/commands";
import { Button } from "../../parts/button";
import { Key } from "../../parts/key";
import { MeaningWord } from "./meaning-word";
import type { Meaning } from "./use-marks";

type Props = {
  meanings: readonly Meaning[];
  isPrivate: boolean;
  /** Null: one may mark for oneself alone. */
  onPrivate: ((isPrivate: boolean) => void) | null;
  onMark: (meaning: string | null) => void;
  /** Null: it stands in no collection where one may write. */
  onContext?: (() => void) | null;
};

/** What can be done with the words that are selected; it stands in the margin, or at the foot of a phone. */
export function MarkStrip({ meanings, isPrivate, onPrivate, onMark, onContext }: Props) {
  return (
    <div
      role="group"
      aria-label="Mark what is selected"
      // A press must not take the selection away.
      onPointerDown={(event) => event.preventDefault()}
      className="flex flex-wrap items-center gap-1.5 rounded-md border border-edge bg-sheet p-2 shadow-lift"
    >
      <Button small look="accent" onClick={() => onMark(null)}>
        Mark <Key>{KEYS.mark}</Key>
      </Button>
      {meanings.map((meaning, i) => (
        <Button key={meaning.id} small look="quiet" className="px-1.5!" onClick={() => onMark(meaning.id)}>
          <MeaningWord meaning={meaning} /> <Key>{i + 1}</Key>
        </Button>
      ))}
      <WhoSees isPrivate={isPrivate} onPrivate={onPrivate} />
      {onContext && (
        <Button small look="quiet" onClick={onContext}>
          Into the context line
        </Button>
      )}
    </div>
  );
}

/** For whom a mark is; one press makes it the other. */
export function WhoSees({ isPrivate, onPrivate }: Pick<Props, "isPrivate" | "onPrivate">) {
  const words = isPrivate ? "For me alone" : "For the team";
  const sign = isPrivate ? <Lock size={14} aria-hidden /> : <Users size={14} aria-hidden />;
  if (!onPrivate)
    return (
      <span className="inline-flex items-center gap-1 px-1.5 text-sm text-quiet">
        {sign} {words}
      </span>
    );
  return (
    <button
      type="button"
      onClick={() => onPrivate(!isPrivate)}
      className="inline-flex h-8 items-center gap-1 rounded px-1.5 text-sm text-quiet underline decoration-dotted underline-offset-4 hover:text-ink"
    >
      {sign} {words}
      <span className="sr-only">; press for {isPrivate ? "the team" : "me alone"}</span>
    </button>
  );
}
