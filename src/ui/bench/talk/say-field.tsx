"use client";

import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { Button } from "../../parts/button";
import { Area } from "../../parts/field";
import { untilStill } from "../views/use-kept-in-sight";

/** What was begun and not sent, by what it is about: who closes what it stands in finds it there again. */
const begun = new Map<string, string>();

type Props = {
  label: string;
  /** Under which what is begun is kept. */
  draft: string;
  /** What the button says. */
  does?: string;
  /** What stands there to be changed. */
  first?: string;
  autoFocus?: boolean;
  onSay: (words: string) => void;
  /** Leaves it; without this it stays. */
  onLeave?: () => void;
};

/** A field for something to say, sent by its button or Ctrl Enter. */
export function SayField({ label, draft, does = "Say it", first = "", autoFocus, onSay, onLeave }: Props) {
  const [words, setWords] = useState(begun.get(draft) ?? first);
  const field = useRef<HTMLTextAreaElement>(null);
  // The focus at once, for whoever types on; the way there once it is known how high what opens with it is.
  useLayoutEffect(() => {
    if (!autoFocus) return;
    field.current!.focus({ preventScroll: true });
    field.current!.setSelectionRange(field.current!.value.length, field.current!.value.length);
  }, [autoFocus]);
  useEffect(() => {
    if (!autoFocus) return;
    return untilStill(document.body, () => {
      field.current?.scrollIntoView({ block: "nearest" });
      return field.current?.getBoundingClientRect().top ?? null;
    });
  }, [autoFocus]);
  const write = (text: string) => {
    setWords(text);
    if (text === first) begun.delete(draft);
    else begun.set(draft, text);
  };
  const send = () => {
    const said = words.trim();
    if (!said) return;
    onSay(said);
    setWords(first);
    begun.delete(draft);
    onLeave?.();
  };
  return (
    <div className="flex items-end gap-2">
      <Area
        ref={field}
        label={label}
        hideLabel
        placeholder={label}
        value={words}
        maxLength={4000}
        className="min-w-0 flex-1"
        inputClass="text-[15px]"
        onChange={(event) => write(event.target.value)}
        onKeyDown={(event) => {
          if (event.nativeEvent.isComposing) return event.stopPropagation();
          if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) {
            event.preventDefault();
            send();
          } else if (event.key === "Escape" && onLeave) {
            event.preventDefault();
            event.stopPropagation();
            onLeave();
          }
        }}
      />
      {(words.trim() !== "" || onLeave) && (
        <Button small look="accent" disabled={!words.trim()} onClick={send} title="Ctrl Enter">
          {does}
        </Button>
      )}
      {onLeave && (
        <Button small look="quiet" onClick={onLeave}>
          Leave it
        </Button>
      )}
    </div>
  );
}
