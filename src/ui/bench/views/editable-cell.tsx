"use client";

import { useRef, useState } from "react";
import { sayUnsaved, theirsIn, whyOf } from "../../talk/say-failure";
import { useLeaving } from "../../talk/use-leaving";
import { type Save, Writing } from "../../talk/writing";

/** A cell that may be edited: what it is called, what stands in it, and how it is saved. */
export type Cell = { label: string; text: string; save?: Save };

/** A cell of a grid, edited where it stands: Enter, F2 or a double click begins, Enter saves, Escape leaves it. */
export function EditableCell({
  name,
  cell,
  plain,
  reachable,
  children,
}: {
  name: string;
  cell: Cell;
  /** Inside a cell of its own: it is no cell itself. */
  plain?: boolean;
  /** By the tab key; in a grid the arrows get to it. */
  reachable?: boolean;
  children?: React.ReactNode;
}) {
  const role = plain ? undefined : "gridcell";
  /** What is being typed, to begin with. */
  const [editing, setEditing] = useState<string | null>(null);
  /** What is being saved, or could not be: it stands in the cell until it is saved or left. */
  const [kept, setKept] = useState<{ text: string; why: string } | null>(null);
  const [writing] = useState(() => new Writing());
  /** Nothing once the cell is gone. */
  const box = useRef<HTMLSpanElement>(null);
  const send = (text: string) =>
    writing
      .save(text, (...what) => cell.save?.(...what) ?? Promise.resolve())
      .catch((error: unknown) => {
        // It is said what somebody else wrote there: whoever saves again, saves over it.
        const theirs = theirsIn(error);
        if (theirs !== null) writing.seen(theirs);
        throw error;
      });
  const say = (text: string, why: string) => sayUnsaved(text, why, () => send(text));
  const save = (text: string) => {
    setKept({ text, why: "" });
    send(text).then(
      () => setKept(null),
      (error: unknown) => (box.current ? setKept({ text, why: whyOf(error) }) : say(text, whyOf(error))),
    );
  };
  const edit = () => {
    if (!cell.save) return;
    if (!kept) writing.begin(cell.text);
    setEditing(kept?.text ?? cell.text);
  };
  if (editing !== null)
    return (
      <span ref={box} role={role} className="min-w-0">
        <CellInput
          label={cell.label}
          text={editing}
          onDone={(text, byKey) => {
            setEditing(null);
            if (text !== null && text !== cell.text) save(text);
            else setKept(null);
            if (byKey) requestAnimationFrame(() => box.current?.focus());
          }}
        />
      </span>
    );
  return (
    <span
      ref={box}
      role={role}
      data-cell={name}
      tabIndex={reachable ? 0 : -1}
      aria-readonly={plain ? undefined : !cell.save}
      title={cell.text}
      onDoubleClick={(event) => {
        if (!cell.save) return;
        event.stopPropagation();
        edit();
      }}
      onKeyDown={(event) => {
        if (event.key === "F2" || event.key === "Enter") {
          event.preventDefault();
          event.stopPropagation();
          edit();
        }
      }}
      className={`block truncate py-2.5 text-[15px] outline-offset-[-1px] ${name === "title" ? "font-semibold" : name === "context" ? "font-serif" : "text-quiet"} ${cell.save ? "cursor-text" : ""}`}
    >
      {kept?.why ? (
        <Unsaved {...kept} onGone={() => box.current ?? say(kept.text, kept.why)} />
      ) : (
        (children ?? kept?.text ?? cell.text)
      )}
    </span>
  );
}

type InputProps = {
  label: string;
  text: string;
  /** With what was typed, or null for what is to be left as it was. */
  onDone: (text: string | null, byKey: boolean) => void;
};

function CellInput({ label, text, onDone }: InputProps) {
  const [typed, setTyped] = useState(text);
  const done = useRef(false);
  const leave = (saves: boolean, byKey: boolean) => {
    if (done.current) return;
    done.current = true;
    onDone(saves ? typed.trim() : null, byKey);
  };
  useLeaving(() => typed !== text && leave(true, false));
  return (
    <input
      autoFocus
      aria-label={label}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => leave(true, false)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key !== "Enter" && event.key !== "Escape") return;
        event.preventDefault();
        leave(event.key === "Enter", true);
      }}
      className="h-8 w-full rounded border border-edge bg-sheet px-1.5 text-[15px]"
    />
  );
}

/** Words that could not be saved and why. When the cell goes away with them, they are said elsewhere. */
function Unsaved({ text, why, onGone }: { text: string; why: string; onGone: () => void }) {
  useLeaving(onGone);
  return (
    <>
      {text}
      <span role="alert" className="block font-sans text-sm font-normal whitespace-normal text-stop">
        Not saved. {why}
      </span>
    </>
  );
}
