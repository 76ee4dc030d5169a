"use client";

import { useState } from "react";
import type { Save } from "../../talk/writing";
import { SavedText } from "../../parts/saved-text";

type Props = {
  label: string;
  value: string;
  /** What stands there while there is nothing. */
  none: string;
  lines?: boolean;
  maxLength?: number;
  placeholder?: string;
  hint?: string;
  readOnly?: boolean;
  onSave: Save;
  className?: string;
};

/** Words that become a field when they are pressed, and words again when it is left. */
export function WordsField({ label, value, none, readOnly, className = "", ...field }: Props) {
  const [writing, setWriting] = useState(false);
  if (readOnly)
    return value ? <p className={`break-words whitespace-pre-line ${className}`}>{value}</p> : null;
  if (writing)
    return (
      <div
        className="w-full"
        onBlur={(event) => {
          const box = event.currentTarget;
          requestAnimationFrame(() => {
            // What was refused stays, with its reason, and so does what somebody else wrote meanwhile.
            const stays = box.contains(document.activeElement) || box.querySelector("[role=alert]");
            if (!stays) setWriting(false);
          });
        }}
      >
        <SavedText
          {...field}
          autoFocus
          label={label}
          value={value}
          onKeyDown={(event) => {
            if (event.key !== "Escape" && (field.lines || event.key !== "Enter")) return;
            event.preventDefault();
            event.stopPropagation();
            (event.target as HTMLElement).blur();
          }}
        />
      </div>
    );
  return (
    <button
      type="button"
      aria-label={`${label}: ${value || none}`}
      title={label}
      // As a field is entered: on the way down. What comes above meanwhile may have moved it when the button goes up.
      onMouseDown={(event) => {
        if (event.button !== 0) return;
        event.preventDefault();
        setWriting(true);
      }}
      onClick={() => setWriting(true)}
      className={`-mx-1.5 min-h-6 min-w-6 max-w-full cursor-text rounded border border-transparent px-1.5 text-left break-words whitespace-pre-line hover:border-edge ${value ? "" : "text-quiet italic"} ${className}`}
    >
      {value || none}
    </button>
  );
}
