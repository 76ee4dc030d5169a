"use client";

import { type Candidate, coveredBy, minutesOfAll, type Wishes } from "@/core/fit/choice";
import { type Goes, whyTheyGo } from "@/core/fit/why";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";

type Here = Answer<"load.read">;
type Props = {
  here: Here;
  title: string;
  candidates: readonly Candidate[];
  chosen: readonly Candidate[];
  wishes: Wishes;
  /** What stays in the other way, where this one is shown as another. */
  beside?: readonly Candidate[];
  onTake: (goes: readonly Candidate[]) => void;
};

/** One way to make it fit: what it comes to, what goes and why, and the press that does it. */
export function Proposal({ here, title, candidates, chosen, wishes, beside, onTake }: Props) {
  const items = new Map(here.items.map((item) => [item.id, item]));
  const outcomes = new Map(here.outcomes.map((one) => [one.id, one.code || one.title]));
  const goes = whyTheyGo(candidates, chosen, wishes);
  const { some, full } = coveredBy(chosen);
  const all = coveredBy(candidates).some;
  const kept = new Set(beside);
  const instead = beside ? chosen.filter((one) => !kept.has(one)) : [];
  return (
    <article className="rounded-md border border-line bg-sheet px-4 py-3">
      <h3 className="font-serif text-lg font-semibold">{title}</h3>
      <p className="text-[15px]">
        <b className="font-semibold tabular-nums">
          {sayMinutes(minutesOfAll(chosen))} of {sayMinutes(wishes.minutes)}
        </b>{" "}
        · {chosen.length} of {candidates.length} stay
        {all > 0 && ` · ${some} of ${all} outcomes served, ${full} fully`}
      </p>
      {instead.length > 0 && (
        <p className="mt-1 text-[15px] text-quiet">
          Instead stays: {instead.map(({ id }) => items.get(id)?.title).join("; ")}
        </p>
      )}
      <h4 className="mt-3 text-sm font-semibold">
        {goes.length === 1 ? "This goes" : `These ${goes.length} go`}
      </h4>
      <ul className="max-h-96 overflow-y-auto" tabIndex={0} aria-label={`What goes: ${title}`}>
        {goes.map((one) => (
          <li key={one.candidate.id} className="border-t border-line py-1.5 text-[15px]">
            <span className="flex gap-3">
              <span className="min-w-0 flex-1 break-words">{items.get(one.candidate.id)?.title}</span>
              <span className="tabular-nums">{sayMinutes(one.candidate.minutes)}</span>
            </span>
            <span className="block text-sm text-quiet">{sayWhy(one, outcomes)}</span>
          </li>
        ))}
      </ul>
      <Button
        look="accent"
        className="mt-3"
        aria-label={`Take this way: ${title}`}
        onClick={() => onTake(goes.map(({ candidate }) => candidate))}
      >
        Take this way
      </Button>
      <p className="mt-1 text-sm text-quiet">What goes is put into “If there is time” at the end.</p>
    </article>
  );
}

/** Why it goes, and what is missing without it. */
function sayWhy({ candidate, why, misses }: Goes, outcomes: ReadonlyMap<string, string>): string {
  const because = {
    "too hard": `harder than was said of it (LIX ${candidate.lix})`,
    "enough of its site": `enough of ${candidate.site} stays`,
    "enough is played": "enough is played as it is",
    "no time":
      candidate.serves.length === 0
        ? "no time; it serves no outcome"
        : misses.length
          ? "no time beside what serves more"
          : "no time; what it serves is served by others",
  }[why];
  const missed = misses.map((id) => outcomes.get(id)).filter(Boolean);
  return missed.length ? `${because}; nothing serves ${missed.join(", ")} then` : because;
}
