"use client";

import { useState } from "react";
import type { Answers } from "@/core/appraise/answers";
import { OUT, stepsOf } from "@/core/appraise/scales";
import { common } from "@/core/appraise/sides";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Area, Choice } from "../parts/field";
import { Link } from "../parts/link";
import { sayDone } from "../shell/use-undo";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { AskThird } from "./ask-third";
import { sayStep } from "./say-scale";

type Round = Answer<"rounds.look">;
type Props = {
  round: Round;
  thing: Round["things"][number];
  settles: boolean;
  onSettled: () => void;
  onLeave: () => void;
};

/** One thing with what everybody answered and why, and what is agreed on. */
export function Settle({ round, thing, settles, onSettled, onLeave }: Props) {
  const { criteria, people } = round;
  const [typed, setTyped] = useState<{
    steps: (number | null)[];
    why: Record<string, string>;
    out: Record<string, string>;
  }>(() =>
    thing.agreed
      ? { steps: [...thing.agreed.steps], why: { ...thing.agreed.why }, out: { ...thing.agreed.out } }
      : {
          steps: common(
            thing.said.filter(({ whole }) => whole),
            criteria.length,
          ),
          why: {},
          // Where everybody left it out, the first reason there is.
          out: Object.assign({}, ...thing.said.map(({ out }) => out).reverse()) as Record<string, string>,
        },
  );
  const open = typed.steps.filter((step) => step === null).length;
  const settle = () => {
    const answers: Answers = {};
    criteria.forEach(({ id }, i) => {
      const step = typed.steps[i];
      if (step !== null && step !== undefined)
        answers[id] = {
          step: step || null,
          why: typed.why[id],
          ...(typed.out[id] && { reason: typed.out[id] }),
        };
    });
    call("appraisals.agree", { round: round.round.id, resource: thing.resource.id, answers })
      .then(({ entry }) => {
        onSettled();
        onLeave();
        sayDone(`Agreed: ${thing.resource.title}`, round.round.team, entry, onSettled);
      })
      .catch(sayFailure);
  };
  return (
    <div className="sticky left-0 mb-3 max-w-[min(52rem,calc(100vw-2.5rem))] rounded-md border border-line bg-sheet p-4">
      <p className="mb-3 text-[15px]">
        <Link href={`/read/${thing.resource.id}`} className="text-accent underline">
          To the reading room
        </Link>
        {settles && !thing.agreed && <AskThird round={round} thing={thing} onAsked={onSettled} />}
        {thing.agreed && <span className="text-quiet"> · agreed by {thing.agreed.people.join(", ")}</span>}
      </p>
      <ul className="flex flex-col gap-4">
        {criteria.map((criterion, i) => (
          <li key={criterion.id} className="grid gap-x-6 gap-y-2 md:grid-cols-[minmax(0,1fr)_16rem]">
            <div className="min-w-0">
              <h2 className="font-semibold">{criterion.name}</h2>
              <ul className="text-[15px]">
                {thing.said.map((one) => (
                  <li key={one.person} className="break-words">
                    <span className="text-quiet">{people[one.person]!.name}:</span>{" "}
                    {one.steps.length ? sayStep(one.steps[i] ?? null, criterion) : "has judged it"}
                    {one.out[criterion.id] && `: ${one.out[criterion.id]}`}
                    {one.why[criterion.id] && (
                      <span className="block pl-3 font-serif text-quiet">{one.why[criterion.id]}</span>
                    )}
                  </li>
                ))}
              </ul>
            </div>
            {settles ? (
              <div>
                <Choice
                  label={`Agreed: ${criterion.name}`}
                  value={typed.steps[i] === null ? "" : String(typed.steps[i])}
                  options={[
                    ["", "not settled"],
                    ...stepsOf(criterion.scale).map(({ value, word }) => [String(value), word] as const),
                    ["0", "cannot say"],
                  ]}
                  onChange={({ target }) =>
                    setTyped((old) => ({
                      ...old,
                      steps: old.steps.map((step, at) =>
                        at === i ? (target.value === "" ? null : Number(target.value)) : step,
                      ),
                    }))
                  }
                />
                {typed.steps[i] === OUT && criterion.scale === "screen" && !!criterion.reasons?.length && (
                  <Choice
                    label={`Reason: ${criterion.name}`}
                    hideLabel
                    className="mt-1"
                    value={typed.out[criterion.id] ?? ""}
                    options={[
                      ["", "Why is it out?"],
                      ...criterion.reasons.map((reason) => [reason, reason] as const),
                    ]}
                    onChange={({ target }) =>
                      setTyped((old) => ({ ...old, out: { ...old.out, [criterion.id]: target.value } }))
                    }
                  />
                )}
                <Area
                  label={`Why: ${criterion.name}`}
                  hideLabel
                  placeholder="Why, if you wish"
                  className="mt-1"
                  maxLength={1000}
                  value={typed.why[criterion.id] ?? ""}
                  onChange={({ target }) =>
                    setTyped((old) => ({ ...old, why: { ...old.why, [criterion.id]: target.value } }))
                  }
                />
              </div>
            ) : (
              thing.agreed && (
                <p className="text-[15px]">
                  <span className="text-quiet">Agreed:</span>{" "}
                  {sayStep(thing.agreed.steps[i] ?? null, criterion)}
                  {thing.agreed.out[criterion.id] && `: ${thing.agreed.out[criterion.id]}`}
                  {thing.agreed.why[criterion.id] && (
                    <span className="block font-serif text-quiet">{thing.agreed.why[criterion.id]}</span>
                  )}
                </p>
              )
            )}
          </li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap items-center justify-end gap-2">
        {settles && (
          <p className="mr-auto text-sm text-quiet">
            {open === 0
              ? "What each of you thought stays beside it."
              : `What you said alike is filled in; ${open === 1 ? "one question is" : `${open} questions are`} to settle.`}
          </p>
        )}
        <Button look="quiet" onClick={onLeave}>
          Close
        </Button>
        {settles && (
          <Button look="accent" disabled={open > 0} onClick={settle}>
            We agree on this
          </Button>
        )}
      </div>
    </div>
  );
}
