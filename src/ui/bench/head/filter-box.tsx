"use client";

import { X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { FilterAnswer, Filterable } from "@/workers/filter-list";
import { IconButton } from "../../parts/button";
import { Field } from "../../parts/field";
import type { Item } from "../state/types";

type Props = {
  items: Item[];
  /** What it is narrowed by at first. */
  first: string;
  /** The ids of the items that fit; null when nothing is asked. */
  onFound: (found: ReadonlySet<string> | null) => void;
  onClose: () => void;
};

/** Narrows the open collection as one types. The looking is done by a web worker, so that typing stays quick. */
export function FilterBox({ items, first, onFound, onClose }: Props) {
  const [words, setWords] = useState(first);
  const [count, setCount] = useState<number | null>(null);
  const worker = useRef<Worker | null>(null);
  const asked = useRef({ number: 0, words: first });
  const tell = useRef(onFound);
  /** Ids of what the head counts, too: a text between the items is found and is none. */
  const counted = useRef<string[]>([]);
  useEffect(() => {
    tell.current = onFound;
  });
  useEffect(() => {
    const made = new Worker(new URL("@/workers/filter-list.ts", import.meta.url), { type: "module" });
    made.onmessage = ({ data }: MessageEvent<FilterAnswer>) => {
      if (data.number !== asked.current.number) return;
      const asks = asked.current.words.trim() !== "";
      const found = new Set(data.found);
      setCount(asks ? counted.current.filter((id) => found.has(id)).length : null);
      tell.current(asks ? found : null);
    };
    worker.current = made;
    return () => made.terminate();
  }, []);
  const ask = (text: string) => {
    asked.current = { number: asked.current.number + 1, words: text };
    worker.current?.postMessage({ words: text, number: asked.current.number });
  };
  useEffect(() => {
    counted.current = items.filter(isCounted).map((item) => item.id);
    worker.current?.postMessage({ items: items.map(asFilterable) });
    if (asked.current.words) ask(asked.current.words);
  }, [items]);
  return (
    <div role="search" className="flex items-end gap-3 border-b border-line px-4 py-2 sm:px-6">
      <Field
        autoFocus
        hideLabel
        label="Narrow this collection"
        placeholder="Words of title, context, tags or site"
        value={words}
        className="max-w-md flex-1"
        onChange={(event) => {
          setWords(event.target.value);
          ask(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key !== "Escape") return;
          event.stopPropagation();
          onClose();
        }}
      />
      <p aria-live="polite" className="pb-2 text-[15px] text-quiet">
        {count !== null && `${count} of ${items.filter(isCounted).length}`}
      </p>
      <IconButton label="Show all again (Escape)" onClick={onClose} className="ml-auto">
        <X size={18} aria-hidden />
      </IconButton>
    </div>
  );
}

const isCounted = (item: Item) => item.look === "item";
const asFilterable = ({ id, heading, context, resource }: Item): Filterable => ({
  id,
  title: `${heading} ${resource.title}`,
  context,
  tags: resource.tags.join(" "),
  source: [resource.siteName, resource.host, ...resource.authors].join(" "),
  description: resource.description,
});
