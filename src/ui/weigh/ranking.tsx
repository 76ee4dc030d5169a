"use client";

import { useMemo, useState } from "react";
import { drawing } from "@/core/appraise/agreement/random";
import { HEAVIEST } from "@/core/appraise/criteria";
import { ranked } from "@/core/appraise/ranking";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { KindMark } from "../parts/kind";
import { Link } from "../parts/link";

type Round = Answer<"rounds.look">;

/** Always the same, so that nobody looks twice to get what they like better. */
const SEED = 20_260_302;
/** So many are shown at first. */
const FIRST = 50;

/** What was judged, the best first, by the weights of the questions, which can be tried otherwise; and how firm each rank is. */
export function Ranking({ round }: { round: Round }) {
  const [weights, setWeights] = useState(() => round.criteria.map(({ weight }) => weight));
  const [all, setAll] = useState(false);
  const rows = useMemo(
    () =>
      ranked(
        round.things,
        round.criteria.map((one, i) => ({ ...one, weight: weights[i]! })),
        drawing(SEED),
      ),
    [round, weights],
  );
  if (round.round.blind && round.round.state === "judging")
    return (
      <p className="max-w-prose text-quiet">
        This round is blind. What comes first is seen when it has been opened.
      </p>
    );
  const isOther = round.criteria.some(({ weight }, i) => weight !== weights[i]);
  const left = round.things.length - rows.length;
  const ties = new Map<number, number>();
  for (const { rank } of rows) ties.set(rank, (ties.get(rank) ?? 0) + 1);
  return (
    <div className="max-w-4xl">
      <fieldset className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
        <legend className="mb-1 text-sm font-semibold">How much each question counts</legend>
        {round.criteria.map(({ id, name }, i) => (
          <label key={id} className="flex flex-col text-sm">
            <span>
              {name} <span className="text-quiet tabular-nums">{weights[i]}</span>
            </span>
            <input
              type="range"
              className="h-6 w-36 accent-accent"
              min={0}
              max={HEAVIEST}
              step={0.5}
              value={weights[i]}
              onChange={(event) =>
                setWeights((old) => old.map((one, at) => (at === i ? Number(event.target.value) : one)))
              }
            />
          </label>
        ))}
        {isOther && (
          <Button small onClick={() => setWeights(round.criteria.map(({ weight }) => weight))}>
            As the criteria say
          </Button>
        )}
      </fieldset>
      {rows.length === 0 ? (
        <p className="text-quiet">
          {weights.some((weight) => weight > 0)
            ? "Nothing has been judged yet."
            : "No question counts, so nothing comes before anything."}
        </p>
      ) : (
        <ol className="border-t border-line">
          {rows.slice(0, all ? rows.length : FIRST).map(({ at, score, rank, firm: [from, to] }) => {
            const { resource, agreed } = round.things[at]!;
            return (
              <li
                key={resource.id}
                className="grid grid-cols-[3.5rem_minmax(0,1fr)] border-b border-line py-2"
              >
                <span className="font-serif text-lg font-semibold tabular-nums">
                  {rank}
                  {ties.get(rank)! > 1 && (
                    <span className="font-sans text-sm font-normal text-quiet"> alike</span>
                  )}
                </span>
                <div className="min-w-0">
                  <Link href={`/read/${resource.id}`} className="flex items-start gap-1 hover:underline">
                    <KindMark kind={resource.kind} />
                    <span className="min-w-0 break-words">{resource.title}</span>
                  </Link>
                  <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-quiet">
                    <span aria-hidden className="block h-[5px] w-40 rounded-sm bg-sunk">
                      <span
                        className={`block h-full rounded-sm ${agreed ? "bg-ink" : "bg-accent"}`}
                        style={{ width: `${score * 100}%` }}
                      />
                    </span>
                    <span className="tabular-nums">{Math.round(score * 100)} of 100</span>
                    <span>
                      {from === to
                        ? "firm: this rank however the questions are weighed"
                        : `rank ${from} to ${to}, as the questions are weighed`}
                    </span>
                    {agreed && <span>agreed</span>}
                  </div>
                </div>
              </li>
            );
          })}
        </ol>
      )}
      {rows.length > FIRST && !all && (
        <Button className="mt-3" onClick={() => setAll(true)}>
          Show all {rows.length}
        </Button>
      )}
      {left > 0 && rows.length > 0 && (
        <p className="mt-3 text-[15px] text-quiet">
          {left === 1 ? "One thing" : `${left} things`} nobody has said anything of yet.
        </p>
      )}
      <p className="mt-3 max-w-prose text-sm text-quiet">
        The score is the weighted mean of the answers, from the least of every scale (0) to the most (100): of
        what was agreed on, else of what people said. How firm a rank is: each weight is drawn 400 times
        between half and one and a half of itself, and the middle nine tenths of the ranks are said.
      </p>
    </div>
  );
}
