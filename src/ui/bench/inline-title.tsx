"use client";

import { useEffect, useRef, useState } from "react";
import { sayFailure } from "../talk/say-failure";

type Props = {
  label: string;
  value: string;
  onSave: (value: string) => Promise<unknown>;
  readOnly?: boolean;
  focus?: boolean;
  className?: string;
  level: 1 | 2;
};

/** A title that is renamed where it stands: click, type, Enter. Escape leaves it as it was. */
export function InlineTitle({ label, value, onSave, readOnly, focus, className, level }: Props) {
  const Heading = `h${level}` as const;
  const input = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState<string | null>(null);
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
  if (readOnly) return <Heading className={className}>{value}</Heading>;
  const save = () => {
    const text = typed?.trim();
    if (!text || text === value) return setTyped(null);
    onSave(text).then(
      () => setTyped(null),
      (error: unknown) => sayFailure(error),
    );
  };
  return (
    <>
      <Heading className="sr-only">{value}</Heading>
      <input
        ref={input}
        aria-label={label}
        value={typed ?? value}
        maxLength={200}
        onChange={(event) => setTyped(event.target.value)}
        onFocus={(event) => (before.current = event.relatedTarget)}
        onBlur={save}
        onKeyDown={(event) => {
          if (event.key === "Enter") leave(event.currentTarget);
          if (event.key === "Escape") setTyped(null);
        }}
        className={`field-sizing-content -ml-1.5 max-w-full min-w-24 rounded border border-transparent bg-transparent px-1.5 hover:border-edge ${className ?? ""}`}
      />
    </>
  );
}
