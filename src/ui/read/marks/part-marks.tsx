"use client";

import { type RefObject, useState } from "react";
import { compareFragments, readFragment, sayFragment, writeFragment } from "@/core/marks/fragments";
import { may } from "@/core/policy/abilities";
import { readClipTime } from "@/core/publish/clip";
import { Button } from "../../parts/button";
import { Field } from "../../parts/field";
import { Key } from "../../parts/key";
import { isForField, KEYS } from "../../shell/commands";
import { useWindowKeys } from "../../shell/use-window-keys";
import { MarkCard } from "./mark-card";
import { WhoSees } from "./mark-strip";
import type { MarksShown } from "./marks-shown";
import type { Mark } from "./use-marks";

/** What can be marked that has no words: seconds of what plays here, of what plays in a frame of another site, parts of a picture or of the pages of a PDF. */
export type Parts = "seconds" | "typed seconds" | "regions" | "pages";

type Props = MarksShown & {
  /** Where what is marked is shown. */
  root: RefObject<HTMLElement | null>;
  parts: Parts | null;
  /** Whether a part of the picture is being marked, and what changes that. */
  marking: boolean;
  onMarking: (on: boolean) => void;
  alone: boolean;
  onAlone: (alone: boolean) => void;
  /** A part is marked. */
  onMade: (fragment: string) => void;
};

/** The marks on parts of a film, a sound or a picture, in their order; a press goes to the place. */
export function PartMarks(props: Props) {
  const {
    me,
    team,
    marks,
    shown,
    chosen,
    onChoose,
    root,
    parts,
    marking,
    onMarking,
    alone,
    onAlone,
    onMade,
  } = props;
  const brings = may(team.role, "bring");
  const media = () => root.current?.querySelector<HTMLMediaElement>("video, audio") ?? null;
  const found = shown
    .filter((mark) => mark.fragment)
    .toSorted((a, b) => compareFragments(a.fragment, b.fragment));
  const markSecond = () => {
    const second = Math.floor(media()?.currentTime ?? 0);
    onMade(writeFragment({ page: null, region: null, from: second, to: null }));
  };
  useWindowKeys((event) => {
    // Of a PDF's words that were selected it was meant by the one above.
    if (event.defaultPrevented || isForField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (!parts || event.key.toLowerCase() !== "m" || document.querySelector("[role=dialog]")) return;
    // Words that are selected are meant before anything else.
    if (document.getSelection()?.isCollapsed === false) return;
    if (parts === "seconds" && media()) markSecond();
    else if (parts === "regions" || parts === "pages") onMarking(!marking);
    else return;
    event.preventDefault();
  });
  const goTo = (mark: Mark) => {
    onChoose(mark.id);
    const player = media();
    const part = readFragment(mark.fragment);
    if (part?.page)
      root.current?.querySelector(`[data-page="${part.page}"]`)?.scrollIntoView({ block: "nearest" });
    if (!player || part?.from === null || part?.from === undefined) return;
    player.currentTime = part.from;
    void player.play().catch(() => undefined);
  };
  const endHere = (mark: Mark) => {
    const part = readFragment(mark.fragment);
    const now = Math.ceil(media()?.currentTime ?? 0);
    if (part?.from === null || part?.from === undefined) return;
    // Who stopped before its beginning means from there to its beginning.
    const [from, to] = now > part.from ? [part.from, now] : [now, part.from];
    if (to > from) marks.reach(mark, writeFragment({ ...part, from, to }));
  };
  if (!parts && found.length === 0) return null;
  return (
    <section aria-label="Marked parts" className="mt-3 flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {parts === "seconds" && (
          <Button small onClick={markSecond}>
            Mark this second <Key>{KEYS.mark}</Key>
          </Button>
        )}
        {parts === "typed seconds" && <TypedSecond onMark={onMade} />}
        {(parts === "regions" || parts === "pages") && (
          <Button small aria-pressed={marking} onClick={() => onMarking(!marking)}>
            {marking ? "Leave it" : "Mark a part"} <Key>{KEYS.mark}</Key>
          </Button>
        )}
        {parts && <WhoSees isPrivate={alone} onPrivate={brings ? onAlone : null} />}
      </div>
      {found.length > 0 && (
        <ol className="flex flex-col gap-2">
          {found.map((mark, i) => {
            const changes = mark.by.id === me || brings;
            return (
              <li
                key={mark.id}
                className="grid grid-cols-1 gap-x-3 gap-y-1 sm:grid-cols-[9rem_minmax(0,1fr)]"
              >
                <div className="flex flex-wrap items-start gap-x-2 sm:flex-col">
                  <button
                    type="button"
                    className="py-1 text-left text-[15px] text-accent tabular-nums hover:underline"
                    onClick={() => goTo(mark)}
                  >
                    {parts === "regions" ? `Part ${i + 1}` : sayFragment(mark.fragment)}
                  </button>
                  {parts === "seconds" && mark.id === chosen && changes && (
                    <Button small look="quiet" onClick={() => endHere(mark)}>
                      To here
                    </Button>
                  )}
                </div>
                <MarkCard
                  mark={mark}
                  meanings={marks.meanings}
                  me={me}
                  changes={changes}
                  removes={mark.by.id === me || may(team.role, "arrange")}
                  chosen={mark.id === chosen}
                  quoted
                  onChoose={onChoose}
                  acts={marks}
                />
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

/** What plays in a frame of another site does not say where it is: the second is typed. */
function TypedSecond({ onMark }: { onMark: (fragment: string) => void }) {
  const [typed, setTyped] = useState("");
  const [problem, setProblem] = useState("");
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const from = readClipTime(typed);
        if (typeof from !== "number") {
          setProblem("Write a time as 1:35.");
          return;
        }
        setTyped("");
        setProblem("");
        onMark(writeFragment({ page: null, region: null, from, to: null }));
      }}
    >
      <Field
        label="At"
        placeholder="1:35"
        className="w-28"
        value={typed}
        error={problem}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button small type="submit">
        Mark this second
      </Button>
    </form>
  );
}
