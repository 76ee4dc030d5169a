"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Choice } from "../parts/field";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Keeps = Answer<"teams.upkeep">["keeps"];

const KEPT: Record<keyof Keeps, { label: string; about: string; days: readonly number[]; forGood: boolean }> =
  {
    bin: {
      label: "What is deleted",
      about: "Until then it can be put back.",
      days: [7, 30, 90, 365],
      forGood: false,
    },
    log: {
      label: "Who signed in, was invited, took something out",
      about: "The log below reaches back as far.",
      days: [30, 90, 400, 730],
      forGood: false,
    },
    suggestions: {
      label: "Suggestions that were decided",
      about: "What was accepted stays where it stands.",
      days: [30, 90, 365],
      forGood: true,
    },
    handouts: {
      label: "Handouts that are over",
      about: "With what learners did in them; what was collected stays.",
      days: [30, 90, 365],
      forGood: true,
    },
  };

const sayDays = (days: number): string =>
  days % 365 === 0
    ? days === 365
      ? "a year"
      : `${days / 365} years`
    : days === 7
      ? "a week"
      : `${days} days`;

/** For how long a team keeps what; each choice holds at once. */
export function Keeping({ team, first }: { team: string; first: Keeps }) {
  const [keeps, setKeeps] = useState(first);
  const set = (what: keyof Keeps, days: number | null) => {
    const before = keeps;
    setKeeps({ ...keeps, [what]: days });
    call("teams.keep", { team, [what]: days }).catch((failure: unknown) => {
      setKeeps(before);
      sayFailure(failure);
    });
  };
  return (
    <section aria-labelledby="keeping" className="flex flex-col gap-4">
      <div>
        <h2 id="keeping" className="border-b border-line pb-2 font-serif text-xl font-semibold">
          How long it is kept
        </h2>
        <p className="mt-2 text-[15px] text-quiet">What is older goes for good the next night.</p>
      </div>
      <ul className="grid gap-x-10 gap-y-5 sm:grid-cols-2">
        {(Object.keys(KEPT) as (keyof Keeps)[]).map((what) => {
          const { label, about, days, forGood } = KEPT[what];
          const now = keeps[what];
          // What was set elsewhere stands among the others.
          const all = [...new Set([...days, ...(now === null ? [] : [now])])].sort((a, b) => a - b);
          return (
            <li key={what}>
              <Choice
                label={label}
                value={now === null ? "" : String(now)}
                options={[
                  ...all.map((one) => [String(one), `for ${sayDays(one)}`] as const),
                  ...(forGood ? [["", "for good"] as const] : []),
                ]}
                onChange={(event) => set(what, event.target.value === "" ? null : Number(event.target.value))}
              />
              <p className="mt-1 text-sm text-quiet">{about}</p>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
