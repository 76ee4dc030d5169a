"use client";

import { X } from "lucide-react";
import { useEffect, useId, useRef, useState } from "react";
import { nearTags } from "@/core/tags/near-tags";
import { completeTag, tagKey, tagName, tagNames, type TagUse } from "@/core/tags/tag-name";

type Props = {
  label: string;
  tags: readonly string[];
  /** The team's tags, recent ones first where uses are equal. */
  known: readonly TagUse[];
  onAdd: (names: string[]) => void;
  onRemove: (name: string) => void;
  /** Told what is typed and not a tag yet: it counts when somebody goes on from here. */
  onTyped?: (names: string[]) => void;
  /** Enter with nothing typed. */
  onEmptyEnter?: () => void;
  readOnly?: boolean;
  autoFocus?: boolean;
};

/** Tags as names of several words, completed from the first letters of any of them. */
export function TagInput({
  label,
  tags,
  known,
  onAdd,
  onRemove,
  onTyped,
  onEmptyEnter,
  readOnly,
  autoFocus,
}: Props) {
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState("");
  const [at, setAt] = useState(-1);
  const [open, setOpen] = useState(false);
  const has = new Set(tags.map(tagKey));
  const others = open ? known.filter((tag) => !has.has(tagKey(tag.name))) : [];
  const complete = completeTag(typed, others);
  const near = complete.length ? [] : nearTags(typed, others);
  const offers = [...complete, ...near];
  useEffect(() => {
    if (autoFocus) input.current?.focus();
  }, [autoFocus]);
  const type = (text: string) => {
    setTyped(text);
    onTyped?.(tagNames(text));
  };
  const add = (names: string[]) => {
    type("");
    setAt(-1);
    const fresh = names.filter((name) => !has.has(tagKey(name)));
    if (fresh.length) onAdd(fresh);
  };
  const onKey = (event: React.KeyboardEvent) => {
    if (event.key === "ArrowDown") setAt(Math.min(at + 1, offers.length - 1));
    else if (event.key === "ArrowUp") setAt(Math.max(at - 1, -1));
    else if (event.key === "Enter" && !typed && at < 0 && onEmptyEnter) onEmptyEnter();
    else if (event.key === "Enter" || event.key === ",") add(at >= 0 ? [offers[at]!.name] : tagNames(typed));
    else if (event.key === "Escape" && open && (typed || offers.length)) setOpen(false);
    else if (event.key === "Backspace" && !typed && tags.length) onRemove(tags.at(-1)!);
    else return;
    if (event.key !== "Backspace") event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      <div className="relative flex flex-wrap items-center gap-1.5 rounded-md border border-edge bg-sheet px-2 py-1.5">
        {tags.map((tag) => (
          <span key={tag} className="inline-flex items-center gap-0.5 rounded bg-wash pl-2 text-[15px]">
            {tag}
            {!readOnly && (
              <button
                type="button"
                aria-label={`Take off ${tag}`}
                onClick={() => onRemove(tag)}
                className="flex size-6 items-center justify-center rounded hover:text-stop"
              >
                <X size={14} aria-hidden />
              </button>
            )}
          </span>
        ))}
        {!readOnly && (
          <input
            ref={input}
            id={id}
            value={typed}
            role="combobox"
            aria-expanded={offers.length > 0}
            aria-controls={`${id}-offers`}
            aria-autocomplete="list"
            aria-activedescendant={at >= 0 ? `${id}-${at}` : undefined}
            autoComplete="off"
            placeholder={tags.length ? "" : "Several words are one tag; Enter or a comma ends it"}
            className="h-7 min-w-24 flex-1 bg-transparent px-1 outline-none placeholder:text-quiet"
            onChange={(event) => (type(event.target.value), setOpen(true), setAt(-1))}
            onFocus={() => setOpen(true)}
            onBlur={() => {
              setOpen(false);
              if (tagName(typed)) add(tagNames(typed));
            }}
            onKeyDown={onKey}
          />
        )}
        {offers.length > 0 && (
          <ul
            id={`${id}-offers`}
            role="listbox"
            aria-label="Tags of the team"
            className="absolute top-full left-0 z-20 mt-1 max-h-64 w-72 max-w-full overflow-y-auto rounded-md border border-line bg-sheet p-1 shadow-lift"
          >
            {offers.map((tag, i) => (
              <li
                key={tag.name}
                id={`${id}-${i}`}
                role="option"
                aria-selected={i === at}
                onMouseDown={(event) => (event.preventDefault(), add([tag.name]))}
                className={`flex cursor-pointer justify-between gap-3 rounded-sm px-2 py-1.5 ${i === at ? "bg-wash" : "hover:bg-wash"}`}
              >
                <span className="truncate">
                  {near.includes(tag) && <span className="text-quiet">Did you mean </span>}
                  {tag.name}
                </span>
                <span className="text-sm text-quiet">{tag.count}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
