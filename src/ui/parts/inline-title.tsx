"use client";

import { useEffect, useRef, useState } from "react";
import { sayFailure, sayUnsaved, whyOf } from "../talk/say-failure";
import { useGone, useLeaving } from "../talk/use-leaving";
import { useSaved } from "../talk/use-saved";

type Props = {
  label: string;
  value: string;
  onSave: (value: string) => Promise<unknown>;
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
  const save = () => {
    const text = typed?.trim();
    if (!text || text === shown) return setTyped(null);
    onSave(text).then(
      () => {
        setSaved(text);
        // Unless something else has been typed meanwhile.
        setTyped((now) => (now?.trim() === text ? null : now));
      },
      (error: unknown) => {
        if (gone.current) sayUnsaved(text, whyOf(error), () => onSave(text));
        else sayFailure(error);
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
        onChange={(event) => setTyped(event.target.value.replace(/\s*\n\s*/g, " "))}
        onFocus={(event) => (before.current = event.relatedTarget)}
        onBlur={save}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            event.preventDefault();
            leave(event.currentTarget);
          }
          if (event.key === "Escape") setTyped(null);
        }}
        className={`-ml-1.5 block field-sizing-content max-w-full min-w-24 resize-none overflow-hidden rounded border border-transparent bg-transparent px-1.5 hover:border-edge ${className ?? ""}`}
      />
    </>
  );
}
