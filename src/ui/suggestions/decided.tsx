"use client";

import { Button } from "../parts/button";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { titleOf } from "./state-words";
import type { Shown } from "./shown";

/** What was decided last; it can be deleted with the names it came under. */
export function Decided({
  collection,
  team,
  decided,
  again,
}: {
  collection: string;
  team: string;
  decided: Shown["decided"];
  again: () => void;
}) {
  if (!decided.length) return null;
  const remove = () =>
    call("suggestions.remove", { collection, suggestions: decided.map((one) => one.id) })
      .then(({ entry, removed }) => {
        again();
        sayDone(`Deleted: ${removed.length} suggestions. What was accepted stays.`, team, entry, again);
      })
      .catch(sayFailure);
  return (
    <details className="group/decided">
      <summary className="cursor-pointer border-b border-line py-2 font-serif text-xl font-semibold">
        {decided.length === 300 ? "The last 300 decided" : `${decided.length} decided`}
      </summary>
      <ul>
        {decided.map((one) => (
          <li key={one.id} className="flex flex-wrap gap-x-4 gap-y-0.5 border-b border-line py-2">
            <span className="line-clamp-2 min-w-0 flex-1 basis-60 break-words">{titleOf(one)}</span>
            <span className="text-[15px] text-quiet">
              {one.name} · {one.state === "accepted" ? "accepted" : "declined"}
              {one.word && <>: “{one.word}”</>}
            </span>
          </li>
        ))}
      </ul>
      <Button small look="stop" className="mt-3" onClick={() => void remove()}>
        Delete these, with their names
      </Button>
    </details>
  );
}
