"use client";

import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Button } from "../../parts/button";
import { Area } from "../../parts/field";
import { untilStill } from "../views/use-kept-in-sight";
import { NameOffers } from "./name-offers";
import { useMentions } from "./use-mentions";

/** What was begun and not sent, by what it is about: who closes what it stands in finds it there again. */
const begun = new Map<string, string>();

/** Said before it is sent: nobody who sees it is called so. */
const sayUnknown = (names: readonly string[]): string =>
  `Nobody who sees this is called ${names.map((name) => `“${name}”`).join(" or ")}: they will not hear of it.`;

/** So high is a list of names, in pixels. */
const ROOM = 250;
const intoSight = (hint: HTMLElement | null) => hint?.scrollIntoView({ block: "nearest" });

type Props = {
  label: string;
  /** Whose names it can hold: of who sees this collection, but oneself. */
  among: { collection: string; me: string | undefined };
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
export function SayField({
  label,
  among,
  draft,
  does = "Say it",
  first = "",
  autoFocus,
  onSay,
  onLeave,
}: Props) {
  const [words, setWords] = useState(begun.get(draft) ?? first);
  /** Whether there is no room for names below. */
  const [up, setUp] = useState(false);
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
  const names = useMentions({
    ...among,
    words,
    write: (text, caret) => {
      // At once: the next letter may come before the next frame.
      flushSync(() => write(text));
      field.current!.setSelectionRange(caret, caret);
    },
  });
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
    <>
      <div className="relative flex flex-wrap items-end gap-2">
        <Area
          ref={field}
          label={label}
          hideLabel
          placeholder={label}
          value={words}
          maxLength={4000}
          className="min-w-48 flex-1"
          inputClass="text-[15px]"
          {...(names.offers.length > 0 && {
            "aria-autocomplete": "list",
            "aria-controls": names.list,
            "aria-activedescendant": `${names.list}-${names.at}`,
          })}
          aria-describedby={names.unknown.length ? names.hint : undefined}
          onChange={(event) => {
            write(event.target.value);
            names.moved(event.target.selectionStart);
            setUp(event.target.getBoundingClientRect().bottom + ROOM > window.innerHeight);
          }}
          onBlur={() => names.moved(null)}
          onKeyDown={(event) => {
            if (event.nativeEvent.isComposing) return event.stopPropagation();
            if (!event.ctrlKey && !event.metaKey && names.onKey(event.key)) {
              event.preventDefault();
              event.stopPropagation();
            } else if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) {
              event.preventDefault();
              send();
            } else if (event.key === "Escape" && onLeave) {
              event.preventDefault();
              event.stopPropagation();
              onLeave();
            }
          }}
        />
        {names.offers.length > 0 && (
          <NameOffers id={names.list} offers={names.offers} at={names.at} up={up} onTake={names.take} />
        )}
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
      {names.unknown.length > 0 && (
        <p ref={intoSight} id={names.hint} role="status" className="mt-1 text-sm text-quiet">
          {sayUnknown(names.unknown)}
        </p>
      )}
    </>
  );
}
