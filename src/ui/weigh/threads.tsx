import { clsx } from "clsx";
import type { Criterion } from "@/core/appraise/criteria";
import { stepsOf } from "@/core/appraise/scales";
import type { Answer } from "@/services/registry";
import { sayStep } from "./say-scale";

type Round = Answer<"rounds.look">;
type Props = {
  criterion: Criterion;
  at: number;
  thing: Round["things"][number];
  people: Round["people"];
  isApart: boolean;
};

/**
 * What everybody answered to one question: a thread for each of them, as long as their step. Threads that end at one place say
 * that they agree; what was agreed on is a broad one beneath.
 */
export function Threads({ criterion, at, thing, people, isApart }: Props) {
  const steps = stepsOf(criterion.scale).length;
  const width = (step: number | null | undefined) => (step ? `${(step / steps) * 100}%` : "0.5rem");
  const settled = thing.agreed?.steps[at];
  const said = thing.said.filter((one) => one.steps[at] != null);
  const words = [
    ...said.map((one) => `${people[one.person]!.name}: ${sayStep(one.steps[at]!, criterion)}`),
    ...(settled == null ? [] : [`agreed: ${sayStep(settled, criterion)}`]),
  ].join("; ");
  return (
    <div
      className="flex min-h-6 flex-col justify-center gap-[3px] border-r border-line pr-px"
      title={words || undefined}
    >
      <span className="sr-only">{words || "nothing yet"}</span>
      {said.map((one) => (
        <span
          key={one.person}
          aria-hidden
          style={{ width: width(one.steps[at]) }}
          className={clsx(
            "block h-0 border-t-[3px]",
            one.steps[at] === 0 && "border-dotted border-quiet",
            one.steps[at] !== 0 && (isApart && settled == null ? "border-warn" : "border-accent"),
          )}
        />
      ))}
      {settled != null && (
        <span aria-hidden style={{ width: width(settled) }} className="block h-[7px] rounded-r-sm bg-ink" />
      )}
    </div>
  );
}
