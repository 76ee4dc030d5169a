import { clsx } from "clsx";
import type { Criterion } from "@/core/appraise/criteria";
import { decisionOn } from "@/core/appraise/screening";
import type { Answer } from "@/services/registry";
import { sayStep } from "./say-scale";

type Round = Answer<"rounds.look">;
type Props = { criterion: Criterion; at: number; thing: Round["things"][number]; people: Round["people"] };

const WORDS = { in: "In", out: "Out", unsure: "Unsure", "in dispute": "", open: "" };
/** In, out and unsure are told apart by pattern, not by colour. */
const PATTERNS = {
  in: "bg-ink border-ink",
  out: "border-ink",
  unsure: "border-ink bg-[repeating-linear-gradient(45deg,var(--ink)_0_1.5px,transparent_1.5px_4px)]",
  "in dispute": "border-transparent",
  open: "border-transparent",
};

/** What became of a thing in a screening, in words; where it is not decided on, what each said. */
export function Decided({ criterion, at, thing, people }: Props) {
  const decision = decisionOn(thing, criterion, at);
  const said = thing.said.filter((one) => one.steps[at] != null);
  const reason = decision.is === "out" && decision.reason;
  return (
    <p className="flex items-start gap-2 text-[15px] leading-snug">
      <span
        aria-hidden
        className={clsx("mt-1 size-3 shrink-0 rounded-[2px] border-[1.5px]", PATTERNS[decision.is])}
      />
      <span className="min-w-0 break-words">
        {WORDS[decision.is] ||
          said
            .map((one) => `${people[one.person]!.name}: ${sayStep(one.steps[at]!, criterion)}`)
            .join("; ") || <span className="sr-only">nothing yet</span>}
        {reason && <span className="text-quiet"> · {reason}</span>}
      </span>
    </p>
  );
}
