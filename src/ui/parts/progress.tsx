"use client";

import { Progress as Radix } from "radix-ui";

/** How far long work has come, in words and as a bar. */
export function Progress({ done, of, words }: { done: number; of: number; words: string }) {
  return (
    <div className="flex flex-col gap-1">
      <span className="text-sm text-quiet">{words}</span>
      <Radix.Root
        value={done}
        max={Math.max(1, of)}
        aria-label={words}
        className="h-2 overflow-hidden rounded-full bg-line"
      >
        <Radix.Indicator
          className="h-full bg-accent transition-[width]"
          style={{ width: `${(100 * done) / Math.max(1, of)}%` }}
        />
      </Radix.Root>
    </div>
  );
}
