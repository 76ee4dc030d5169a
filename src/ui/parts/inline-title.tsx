"use client";

import { useEffect, useRef, useState } from "react";
import { sayFailure, sayUnsaved, theirsIn, whyOf } from "../talk/say-failure";
import { useGone, useLeaving } from "../talk/use-leaving";
import { useSaved } from "../talk/use-saved";
import { type Save, Writing } from "../talk/writing";
import { OtherWords } from "./other-words";

type Props = {
  label: string;
  value: string;
  onSave: Save;
  readOnly?: boolean;
  focus?: boolean;
  className?: string;
  level: 1 | 2;
};

/** A title that is renamed where it stands: click, type, Enter. Escape leaves it as it was. A long one has several lines. */
export function InlineTitle({ label, value, onSave, readOnly, focus, className, level }: Props) {
  const Heading = `h${level}` as const;
  const input = useRef<HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const [saved, setSaved] = useSaved(value);
  /** What had the focus before has it again when the name is written; else the item the keys act on. */
  const before = useRef<EventTarget | null>(null);
  const leave = (field: HTMLElement) => {
    field.blur();
    const back =
      before.current instanceof HTMLElement && before.current.isConnected
        ? before.current
        : document.querySelector<HTMLElement>('[data-item][tabindex="0"]');
    back?.focus({ preventScroll: true });
  };
  useEffect(() => {
    if (focus) input.current?.select();
  }, [focus]);
  const shown = saved ?? value;
  const gone = useGone();
  const [writing] = useState(() => new Writing());
  /** What somebody else wrote there meanwhile, until it is decided what stands. */
  const [theirs, setTheirs] = useState<string | null>(null);
  const save = (text = typed?.trim()) => {
    if (!text || text === shown) return setTyped(null);
    writing.save(text, onSave).then(
      () => {
        setSaved(text);
        setTheirs(null);
        // Unless something else has been typed meanwhile.
        setTyped((now) => (now?.trim() === text ? null : now));
      },
      (error: unknown) => {
        const now = theirsIn(error);
        const again = () => {
          if (now !== null) writing.seen(now);
          return writing.save(text, onSave);
        };
        if (gone.current) return sayUnsaved(text, whyOf(error), again);
        if (now === null) sayFailure(error);
        setTheirs(now);
      },
    );
  };
  useLeaving(save);
  if (readOnly) return <Heading className={className}>{value}</Heading>;
  return (
    <>
      <Heading className="sr-only">{shown}</Heading>
      <textarea
        ref={input}
        aria-label={label}
        rows={1}
        value={typed ?? shown}
        maxLength={200}
        onChange={(event) => {
          if (typed === null) writing.begin(shown);
          setTyped(event.target.value.replace(/\s*\n\s*/g, " "));
        }}
        onFocus={(event) => (before.current = event.relatedTarget)}
        onBlur={() => theirs ?? save()}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            event.preventDefault();
            leave(event.currentTarget);
          }
          if (event.key !== "Escape") return;
          setTyped(null);
          setTheirs(null);
        }}
        className={`-ml-1.5 block field-sizing-content max-w-full min-w-24 resize-none overflow-hidden rounded border border-transparent bg-transparent px-1.5 hover:border-edge ${className ?? ""}`}
      />
      {theirs !== null && typed !== null && (
        <OtherWords
          theirs={theirs}
          onMine={() => {
            writing.seen(theirs);
            save();
          }}
          onTheirs={() => {
            setTyped(null);
            setTheirs(null);
          }}
        />
      )}
    </>
  );
}
