"use client";

import { useState } from "react";
import { may } from "@/core/policy/abilities";
import { Area } from "../../parts/field";
import { Button } from "../../parts/button";
import { MarkCard } from "./mark-card";
import { WhoSees } from "./mark-strip";
import type { MarksShown } from "./marks-shown";
import type { Mark } from "./use-marks";
import { useWide } from "./use-wide";

/** What stands beside no words: notes on the whole, marks whose place is lost, what was taken away. */
export function MarksBelow({ me, team, marks, shown, chosen, onChoose }: MarksShown) {
  const brings = may(team.role, "bring");
  const [note, setNote] = useState("");
  const [alone, setAlone] = useState(!brings);
  const wide = useWide();
  /** @param opens whether it can be changed here; one in the text is at the foot of the screen */
  const card = (mark: Mark, opens = true) => (
    <li key={mark.id}>
      <MarkCard
        mark={mark}
        meanings={marks.meanings}
        me={me}
        changes={mark.by.id === me || brings}
        removes={mark.by.id === me || may(team.role, "arrange")}
        chosen={opens && mark.id === chosen}
        quoted
        onChoose={onChoose}
        acts={marks}
      />
    </li>
  );
  const whole = shown.filter((mark) => !mark.quote && !mark.fragment);
  const lost = shown.filter((mark) => mark.quote && mark.start === null && !mark.fragment);
  const placed = shown.filter((mark) => mark.start !== null);
  return (
    <section aria-label="Notes" className="mt-10 flex flex-col gap-3 border-t border-line pt-5">
      {!wide && placed.length > 0 && (
        <div>
          <h2 className="text-sm font-semibold">Marked in the text</h2>
          <ul className="mt-2 flex flex-col gap-2">{placed.map((mark) => card(mark, false))}</ul>
        </div>
      )}
      {lost.length > 0 && (
        <div>
          <h2 className="text-sm font-semibold">Place lost</h2>
          <p className="text-sm text-quiet">
            Their words stand in this text no more, or are being looked for. Nothing of them is gone.
          </p>
          <ul className="mt-2 flex flex-col gap-2">{lost.map((mark) => card(mark))}</ul>
        </div>
      )}
      <h2 className="text-sm font-semibold">Notes on the whole</h2>
      {whole.length > 0 && <ul className="flex flex-col gap-2">{whole.map((mark) => card(mark))}</ul>}
      <form
        className="flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!note.trim()) return;
          marks.add(null, { private: alone, note: note.trim() });
          setNote("");
        }}
      >
        <Area
          label="Write a note on the whole"
          hideLabel
          placeholder="Write a note on the whole"
          value={note}
          maxLength={4000}
          onChange={(event) => setNote(event.target.value)}
        />
        {note.trim() && (
          <div className="flex items-center gap-2">
            <Button type="submit" small look="accent">
              Add the note
            </Button>
            <WhoSees isPrivate={alone} onPrivate={brings ? setAlone : null} />
          </div>
        )}
      </form>
      {marks.takenAway.length > 0 && (
        <details className="text-[15px]">
          <summary className="w-fit text-sm text-quiet hover:text-ink">
            {marks.takenAway.length} taken away
          </summary>
          <ul className="mt-2 flex flex-col gap-2">
            {marks.takenAway.map((mark) => (
              <li key={mark.id} className="flex items-start gap-3 border-b border-line py-1.5">
                <div className="min-w-0 flex-1">
                  {mark.quote && <p className="line-clamp-2 font-serif text-quiet">{mark.quote}</p>}
                  {mark.note && <p className="break-words">{mark.note}</p>}
                </div>
                {(mark.by.id === me || brings) && (
                  <Button small onClick={() => marks.restore(mark)}>
                    Bring back
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
