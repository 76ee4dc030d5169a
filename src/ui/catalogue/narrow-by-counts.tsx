"use client";

import { ChevronDown } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Field } from "../parts/field";
import { KIND_WORDS } from "@/core/look/kind-words";
import { APPRAISED } from "@/core/search/query";
import { APPRAISED_WORDS, STATE_WORDS } from "./say-chip";

type Lists = Answer<"search.facets">["facets"];
type Name = "kind" | "site" | "tag" | "by" | "added" | "length" | "is" | "appraised";
type Entry = { value: string; words: string; count?: number };

const kindWords = KIND_WORDS as Record<string, string>;

/** By what the results can be narrowed, with how many there are of each. */
export function Facets({
  facets,
  best,
  onToggle,
}: {
  facets: Lists | null;
  best: number | null;
  onToggle: (name: Name, value: string) => void;
}) {
  const lists: { name: Name; label: string; entries: Entry[] }[] = [
    { name: "tag", label: "Tag", entries: facets?.tags ?? [] },
    {
      name: "kind",
      label: "Kind",
      entries: (facets?.kinds ?? []).map((one) => ({ ...one, words: kindWords[one.value] ?? one.words })),
    },
    { name: "site", label: "Site", entries: facets?.sites ?? [] },
    { name: "by", label: "Person", entries: facets?.people ?? [] },
    { name: "added", label: "Added", entries: facets?.months ?? [] },
    { name: "length", label: "Length", entries: facets?.lengths ?? [] },
    {
      name: "appraised",
      label: "Appraised",
      entries: APPRAISED.map((value) => ({ value, words: APPRAISED_WORDS[value] })),
    },
    {
      name: "is",
      label: "To mend",
      entries: (facets?.states ?? [])
        .filter((one) => one.count > 0)
        .map((one) => ({ ...one, words: STATE_WORDS[one.value] ?? one.words })),
    },
  ];
  return (
    <div role="group" aria-label="Narrow by" className="-ml-2 flex flex-wrap items-center">
      {lists.map((list) => (
        <Facet key={list.name} {...list} onPick={(value) => onToggle(list.name, value)} />
      ))}
      {best !== null && (
        <span className="ml-2 text-sm text-quiet">
          counted among the first {best.toLocaleString("en-GB")}
        </span>
      )}
    </div>
  );
}

/** Beyond this many they can be narrowed by a few letters. */
const MANY = 12;

function Facet({
  label,
  entries,
  onPick,
}: {
  label: string;
  entries: Entry[];
  onPick: (value: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const shown = entries.filter((one) =>
    one.words.toLocaleLowerCase().includes(words.trim().toLocaleLowerCase()),
  );
  return (
    <Popover.Root
      open={open}
      onOpenChange={(on) => {
        setOpen(on);
        setWords("");
      }}
    >
      <Popover.Trigger
        disabled={!entries.length}
        className="flex h-8 items-center gap-1 rounded-md px-2 text-[15px] hover:bg-wash disabled:text-quiet disabled:opacity-60"
      >
        {label}
        <ChevronDown size={14} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={`Narrow by ${label.toLowerCase()}`}
          className="z-50 w-72 rounded-md border border-line bg-sheet p-2 shadow-lift"
        >
          {entries.length > MANY && (
            <Field
              hideLabel
              autoFocus
              label={`Letters of a ${label.toLowerCase()}`}
              placeholder="Type a few letters"
              value={words}
              onChange={(event) => setWords(event.target.value)}
              className="mb-1"
            />
          )}
          <ul className="max-h-72 overflow-y-auto">
            {shown.map((one) => (
              <li key={one.value}>
                <button
                  type="button"
                  onClick={() => {
                    setOpen(false);
                    onPick(one.value);
                  }}
                  className="flex w-full justify-between gap-3 rounded-sm px-2 py-1.5 text-left text-[15px] hover:bg-wash"
                >
                  <span className="min-w-0 truncate">{one.words}</span>
                  {one.count !== undefined && (
                    <span className="text-sm text-quiet">{one.count.toLocaleString("en-GB")}</span>
                  )}
                </button>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
