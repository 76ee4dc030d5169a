"use client";

import { Button } from "./button";

type Props = {
  /** What somebody else wrote where one writes, without marks. */
  theirs: string;
  onMine: () => void;
  onTheirs: () => void;
  /** Where both can stand. */
  onBoth?: () => void;
};

/** Somebody else wrote the same words meanwhile: theirs stand there, one's own are in the field, and one is asked. */
export function OtherWords({ theirs, onMine, onTheirs, onBoth }: Props) {
  return (
    <div role="alert" className="mt-1.5 rounded-md bg-warn-wash p-3 text-[15px] font-normal text-ink">
      <p>
        Somebody else changed the same words meanwhile. Yours are not saved yet.{" "}
        {theirs ? "Theirs are:" : "They took them all out."}
      </p>
      {theirs && (
        <blockquote className="my-1.5 max-h-32 overflow-auto border-l-2 border-edge pl-3 font-serif break-words whitespace-pre-line">
          {theirs}
        </blockquote>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button small look="accent" onClick={onMine}>
          Save mine instead
        </Button>
        <Button small onClick={onTheirs}>
          Keep theirs
        </Button>
        {onBoth && theirs && (
          <Button small onClick={onBoth}>
            Put mine behind theirs
          </Button>
        )}
      </div>
    </div>
  );
}
