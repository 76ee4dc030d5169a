"use client";

import { useEffect, useRef, useState } from "react";
import { Area, Field } from "./field";
import { OtherWords } from "./other-words";
import { sayUnsaved, theirsIn, whyOf } from "../talk/say-failure";
import { useGone, useLeaving } from "../talk/use-leaving";
import { type Save, Writing } from "../talk/writing";

type Props = {
  label: string;
  value: string;
  /** Saves what was typed; what it refuses is shown beside the field, and the words stay. */
  onSave: Save;
  lines?: boolean;
  hideLabel?: boolean;
  hint?: string;
  placeholder?: string;
  autoFocus?: boolean;
  maxLength?: number;
  readOnly?: boolean;
  className?: string;
  /** Of the field itself. */
  inputClass?: string;
  onKeyDown?: (event: React.KeyboardEvent<HTMLElement>) => void;
};

const PAUSE = 700;

/** Text that is saved as it is typed: after a pause, on leaving the field, and before it goes away. */
export function SavedText({ value, onSave, lines, ...rest }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState("");
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const unsaved = useRef<string | null>(null);
  /** What somebody else wrote in the same place, until it is decided what stands. */
  const [theirs, setTheirs] = useState<string | null>(null);
  const [writing] = useState(() => new Writing());
  const send = useRef(onSave);
  useEffect(() => {
    send.current = onSave;
  });
  const gone = useGone();
  const save = (text: string) => writing.save(text, (...what) => send.current(...what));
  const flush = () => {
    clearTimeout(timer.current);
    const text = unsaved.current;
    if (text === null) return;
    unsaved.current = null;
    save(text).then(
      () => {
        setError("");
        setTheirs(null);
      },
      (failure: unknown) => {
        const why = whyOf(failure);
        const now = theirsIn(failure);
        if (gone.current)
          return sayUnsaved(text, why, () => {
            if (now !== null) writing.seen(now);
            return save(text);
          });
        unsaved.current ??= text;
        setTheirs(now);
        setError(now === null ? why : "");
      },
    );
  };
  useLeaving(flush);
  const pause = () => {
    clearTimeout(timer.current);
    // What is to stand there is for the person to decide first.
    if (theirs === null) timer.current = setTimeout(flush, PAUSE);
  };
  const decide = (text: string | null) => {
    writing.seen(theirs!);
    setTheirs(null);
    unsaved.current = text;
    setTyped(text);
    if (text !== null) flush();
  };
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
      if (typed === null) writing.begin(value);
      setTyped(event.target.value);
      unsaved.current = event.target.value;
      pause();
    },
    onBlur: () => {
      if (theirs === null) flush();
      // From now on what others write shows again.
      if (unsaved.current === null) setTyped(null);
    },
  };
  const field = lines ? <Area rows={2} {...shared} /> : <Field {...shared} />;
  if (theirs === null || typed === null) return field;
  return (
    <div>
      {field}
      <OtherWords
        theirs={theirs}
        onMine={() => decide(typed)}
        onTheirs={() => decide(null)}
        onBoth={() => decide(`${theirs}${lines ? "\n" : " "}${typed}`)}
      />
    </div>
  );
}
