"use client";

import { useEffect, useRef, useState } from "react";
import { Area, Field } from "../../parts/field";
import { sayUnsaved, whyOf } from "../../talk/say-failure";
import { useGone, useLeaving } from "../../talk/use-leaving";

type Props = {
  label: string;
  value: string;
  /** Saves what was typed; what it refuses is shown beside the field, and the words stay. */
  onSave: (value: string) => Promise<unknown>;
  lines?: boolean;
  hideLabel?: boolean;
  hint?: string;
  placeholder?: string;
  autoFocus?: boolean;
  maxLength?: number;
  readOnly?: boolean;
  className?: string;
};

const PAUSE = 700;

/** Text that is saved as it is typed: after a pause, on leaving the field, and before it goes away. */
export function SavedText({ value, onSave, lines, ...rest }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState("");
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const unsaved = useRef<string | null>(null);
  const save = useRef(onSave);
  useEffect(() => {
    save.current = onSave;
  });
  const gone = useGone();
  const flush = () => {
    clearTimeout(timer.current);
    const text = unsaved.current;
    if (text === null) return;
    unsaved.current = null;
    save.current(text).then(
      () => setError(""),
      (failure: unknown) => {
        const why = whyOf(failure);
        if (gone.current) return sayUnsaved(text, why, () => save.current(text));
        unsaved.current ??= text;
        setError(why);
      },
    );
  };
  useLeaving(flush);
  const goesOn = useRef(rest.autoFocus);
  useEffect(() => {
    // Who comes to write goes on behind what stands there.
    const field = document.activeElement;
    if (goesOn.current && field instanceof HTMLTextAreaElement)
      field.setSelectionRange(field.value.length, field.value.length);
  }, []);
  const shared = {
    ...rest,
    error,
    value: typed ?? value,
    onChange: (event: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      setTyped(event.target.value);
      unsaved.current = event.target.value;
      clearTimeout(timer.current);
      timer.current = setTimeout(flush, PAUSE);
    },
    onBlur: () => {
      flush();
      // From now on what others write shows again.
      if (unsaved.current === null) setTyped(null);
    },
  };
  return lines ? <Area rows={2} {...shared} /> : <Field {...shared} />;
}
