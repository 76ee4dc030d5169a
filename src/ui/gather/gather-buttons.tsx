"use client";

import { Button } from "../parts/button";
import { type Gathering, useGather } from "./gather";

/** The ways to begin, as buttons: for whoever may go them. */
export function GatherButtons({ ways }: { ways: readonly (keyof Gathering)[] }) {
  const gather = useGather();
  const open = ways.filter((way) => gather[way]);
  if (!open.length) return null;
  return (
    <span className="flex flex-wrap gap-2">
      {open.map((way, i) => (
        <Button key={way} look={i === 0 ? "accent" : "line"} onClick={gather[way]}>
          {WORDS[way]}
        </Button>
      ))}
    </span>
  );
}

const WORDS: Record<keyof Gathering, string> = {
  bring: "Bring in",
  file: "Bring in a file of links",
  make: "Make a collection",
};
