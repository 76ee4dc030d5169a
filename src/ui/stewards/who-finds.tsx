"use client";

import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

/** A document and no screen of the application. */
const SHELVES = "/public";

/** Whether everybody finds what is public here, or who is signed in; it holds at once. */
export function WhoFinds({ everybody, onSet }: { everybody: boolean; onSet: () => void }) {
  const set = (on: boolean) => call("stewards.set-shelves", { everybody: on }).then(onSet).catch(sayFailure);
  return (
    <fieldset className="flex flex-col gap-1 pt-3">
      <legend className="sr-only">Who finds what is public</legend>
      {[true, false].map((on) => (
        <label key={String(on)} className="flex min-h-8 items-center gap-2">
          <input
            type="radio"
            name="finds"
            className="size-4 shrink-0 accent-accent"
            checked={everybody === on}
            onChange={() => void set(on)}
          />
          {on ? (
            <span>
              Everybody, at{" "}
              <a href={SHELVES} className="text-accent hover:underline">
                one address for all of it
              </a>
            </span>
          ) : (
            "Who is signed in; to others each collection is known by its own address"
          )}
        </label>
      ))}
    </fieldset>
  );
}
