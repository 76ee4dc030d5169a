"use client";

import { Button } from "../parts/button";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Props = {
  collection: string;
  /** What is looked for. */
  wanted: string;
  /** What those who come are asked for so far; null: there is no page yet. */
  asked: string | null;
  onDone: () => void;
};

/** So much is said to those who come. */
const MOST = 500;

/** What an outcome still needs, to be told to those who suggest things. */
export function StillLooking({ collection, wanted, asked, onDone }: Props) {
  const line = `Still looking for: ${wanted}`;
  const ask = [asked?.trim(), line].filter(Boolean).join("\n");
  if (asked?.includes(line)) return null;
  return (
    <aside className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-md border border-line bg-sunk px-4 py-3 text-[15px]">
      <p className="mr-auto">
        You are still looking for “{wanted}”.
        {ask.length > MOST && " There is no room for more beside what is asked for."}
      </p>
      {ask.length <= MOST && (
        <Button
          small
          look="accent"
          onClick={() =>
            void call("suggestions.set-page", { collection, ask, ...(asked === null && { open: true }) })
              .then(onDone)
              .catch(sayFailure)
          }
        >
          {asked === null ? "Ask for suggestions for it" : "Say so to those who come"}
        </Button>
      )}
    </aside>
  );
}
