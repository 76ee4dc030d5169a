"use client";

import { useEffect, useRef, useState } from "react";
import type { ReaderView } from "@/core/publish/model";
import type { Wish } from "./use-publish";

const WIDTHS = [
  ["desk", "Desk"],
  ["phone", "Phone"],
] as const;
const LOOKS = [
  ["light", "Light"],
  ["dark", "Dark"],
] as const;

/** The collection as a visitor would see it with what is wished, at the width and in the light of their screen. */
export function Preview({
  address,
  wish,
  view,
  drawn,
  edition,
  words,
}: {
  address: string;
  wish: Wish;
  view: ReaderView;
  drawn: number;
  /** The one they are given instead of what stands there now. */
  edition?: number;
  words: string;
}) {
  const [width, setWidth] = useState<"desk" | "phone">("desk");
  const [look, setLook] = useState<"light" | "dark" | null>(null);
  const frame = useRef<HTMLIFrameElement>(null);
  const audience = wish.audience === "team" ? "link" : wish.audience;
  const what = edition === undefined ? `audience=${audience}&reach=${wish.reach}` : `edition=${edition}`;
  const asked = `${address}?view=${view}&${what}`;
  const show = (chosen: typeof look) => {
    const root = frame.current?.contentDocument?.documentElement;
    if (chosen) root?.setAttribute("data-look", chosen);
  };
  useEffect(() => {
    // The same page once more, where it was scrolled to.
    const at = frame.current?.contentWindow;
    if (drawn) at?.location.reload();
  }, [drawn]);
  return (
    <section
      aria-label="As readers see it"
      className="flex min-h-[60vh] flex-col overflow-hidden rounded-md border border-line bg-sheet"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-1.5 text-sm">
        <p className="mr-auto text-quiet">{words}</p>
        <Pair label="Width" options={WIDTHS} value={width} onChange={setWidth} />
        <Pair
          label="Light"
          options={LOOKS}
          value={look}
          onChange={(next) => {
            setLook(next);
            show(next);
          }}
        />
      </div>
      <div className="flex min-h-0 flex-1 justify-center bg-sunk">
        <iframe
          ref={frame}
          src={asked}
          onLoad={() => show(look)}
          title="The collection as readers see it"
          className={`flex-1 border-0 bg-sheet ${width === "phone" ? "max-w-[390px] border-x border-line" : ""}`}
        />
      </div>
    </section>
  );
}

function Pair<V extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: readonly (readonly [V, string])[];
  value: V | null;
  onChange: (value: V) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex">
      {options.map(([one, words]) => (
        <button
          key={one}
          type="button"
          aria-pressed={value === one}
          onClick={() => onChange(one)}
          className={`h-8 rounded-md px-2.5 ${value === one ? "bg-wash font-semibold text-accent" : "text-quiet hover:text-ink"}`}
        >
          {words}
        </button>
      ))}
    </div>
  );
}
