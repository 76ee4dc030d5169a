"use client";

import { screeningAt, tallyOf } from "@/core/appraise/screening";
import type { Answer } from "@/services/registry";
import { buttonLook } from "../parts/button";
import { Link } from "../parts/link";

type Round = Answer<"rounds.look">;

/** What became of the things of a screening so far, and the way to the next round with what is left. */
export function Screened({ round, arranges }: { round: Round; arranges: boolean }) {
  const at = screeningAt(round.criteria);
  if (at < 0 || round.round.state === "judging") return null;
  const tally = tallyOf(round.things, round.criteria[at]!, at);
  const left = round.things.length - tally.out;
  const said = [
    ["in", tally.in],
    ["out", tally.out],
    ["unsure", tally.unsure],
    ["in dispute", tally["in dispute"]],
    ["not judged by all", tally.open],
  ] as const;
  return (
    <section
      aria-label="What became of it"
      className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line pb-3 text-[15px]"
    >
      <dl className="flex flex-wrap gap-x-5 gap-y-1">
        {said.map(
          ([word, count]) =>
            (count > 0 || word === "in" || word === "out") && (
              <div key={word} className="flex items-baseline gap-1.5">
                <dt className="text-quiet">{word}</dt>
                <dd className="font-semibold tabular-nums">{count}</dd>
              </div>
            ),
        )}
      </dl>
      {tally.reasons.length > 0 && (
        <p className="text-sm text-quiet">
          Out: {tally.reasons.map(({ reason, count }) => `${reason ?? "no reason said"} ${count}`).join(", ")}
        </p>
      )}
      {arranges && left > 0 && (
        <Link
          href={`/team/${round.round.team}/appraisal?after=${round.round.id}`}
          className={buttonLook("line", true)}
        >
          Go on with the {left} that are left
        </Link>
      )}
    </section>
  );
}
