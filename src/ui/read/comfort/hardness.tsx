"use client";

import { useEffect, useState } from "react";
import type { Hardness as Found } from "@/core/text/levels";
import { CopyMap } from "../marks/copy-map";
import { useUnfolded } from "../../parts/use-unfolded";

type Shown = "sentences" | "words";
/** What is shown in the text, and in which layer (app/marks.css). */
const LAYERS: Record<Shown, string> = { sentences: "hobbin-long-sentence", words: "hobbin-long-word" };

/** How hard a text is to read, by which formula, and what in it makes it so: for who chooses texts for others. */
export function Hardness({ html, language }: { html: string; language: string | null }) {
  const [isOpen, , unfolded] = useUnfolded();
  return (
    <details className="mt-3 text-[15px]" {...unfolded}>
      <summary className="w-fit text-quiet hover:text-ink">How hard it is to read</summary>
      {isOpen && <Measured key={html} language={language} />}
    </details>
  );
}

const many = (count: number): string => count.toLocaleString("en");
const sayMany = (count: number, one: string): string =>
  `${count ? many(count) : "No"} ${one}${count === 1 ? "" : "s"}`;

/** The text is measured where it stands, so that what is found can be shown in it. */
function Measured({ language }: { language: string | null }) {
  const [found, setFound] = useState<{ map: CopyMap; hardness: Found | null }>();
  const [shown, setShown] = useState<ReadonlySet<Shown>>(new Set());
  useEffect(() => {
    let isHere = true;
    const root = document.querySelector<HTMLElement>("#main .reading");
    if (!root) return;
    void import("@/core/text/levels").then(({ hardnessOf }) => {
      if (!isHere) return;
      const map = new CopyMap(root);
      setFound({ map, hardness: hardnessOf(map.text, language) });
    });
    return () => {
      isHere = false;
    };
  }, [language]);
  useEffect(() => {
    if (!found?.hardness || typeof Highlight === "undefined") return;
    const { longSentences: sentences, longWords: words } = found.hardness;
    for (const [kind, spans] of Object.entries({ sentences, words }) as [Shown, typeof words][]) {
      if (!shown.has(kind)) continue;
      const ranges = spans.flatMap(({ start, end }) => found.map.range(start, end) ?? []);
      CSS.highlights.set(LAYERS[kind], new Highlight(...ranges));
    }
    return () => Object.values(LAYERS).forEach((layer) => CSS.highlights.delete(layer));
  }, [found, shown]);
  if (!found) return <p className="mt-1 text-quiet">Measuring …</p>;
  const { hardness } = found;
  if (!hardness)
    return (
      <p className="mt-1 text-quiet">
        This cannot be said: it takes a hundred words of running text, in a script with letters.
      </p>
    );
  const { counts, levels, longSentences, longWords, long } = hardness;
  const toggle = (kind: Shown) =>
    setShown((old) => {
      const next = new Set(old);
      if (!next.delete(kind)) next.add(kind);
      return next;
    });
  return (
    <div className="mt-1 flex flex-col gap-2">
      <ul className="flex flex-col gap-0.5">
        {levels.map((one) => (
          <li key={one.name}>
            {one.words} <span className="text-quiet">{`${one.value} by ${one.name}`}</span>
          </li>
        ))}
      </ul>
      <p className="text-quiet">
        {many(counts.words)} words of running text in {many(counts.sentences)} sentences: on average{" "}
        {Math.round(counts.words / counts.sentences)} words a sentence
        {counts.syllables ? `, ${(counts.syllables / counts.words).toFixed(1)} syllables a word` : ""}. The
        formulas go by lengths alone; they do not know what a text is about, nor what its readers know.
        {!language && " Its language is not known; with it, more could be said."}
      </p>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
        <legend className="float-left mr-4 text-quiet">Show in the text</legend>
        <Choice
          kind="sentences"
          words={`${sayMany(longSentences.length, "sentence")} of ${long.words} words and more`}
          {...{ shown, toggle }}
          none={!longSentences.length}
        />
        <Choice
          kind="words"
          words={`${sayMany(longWords.length, "word")} of ${long.letters} letters and more`}
          {...{ shown, toggle }}
          none={!longWords.length}
        />
      </fieldset>
    </div>
  );
}

function Choice(one: {
  kind: Shown;
  words: string;
  none: boolean;
  shown: ReadonlySet<Shown>;
  toggle: (kind: Shown) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-accent"
        checked={one.shown.has(one.kind)}
        disabled={one.none}
        onChange={() => one.toggle(one.kind)}
      />
      {one.words}
    </label>
  );
}
