"use client";

import { useMemo, useState } from "react";
import { LEVELS, type Level } from "@/core/appraise/agreement/alpha";
import { FEWEST_THINGS, figuresOf, sayAgreement } from "@/core/appraise/agreement/figures";
import { stepsOf } from "@/core/appraise/scales";
import { valuesOf } from "@/core/appraise/sides";
import type { Answer } from "@/services/registry";
import { Choice } from "../parts/field";
import { Tick } from "../parts/tick";
import { useIntervals } from "./use-intervals";

type Round = Answer<"rounds.look">;

const LEVEL_WORDS: Record<Level, string> = {
  nominal: "names: different is different",
  ordinal: "an order: no, partly, yes",
  interval: "equal steps",
  ratio: "amounts with a nothing",
};

/** How far those who judged agree, question by question, with the names of the figures and where they come from. */
export function Agreement({ round }: { round: Round }) {
  const [level, setLevel] = useState<Level>("ordinal");
  const [without, setWithout] = useState<number[]>([]);
  const people = useMemo(
    () => round.people.map((_, i) => i).filter((i) => !without.includes(i)),
    [round.people, without],
  );
  const questions = useMemo(
    () => round.criteria.map((_, i) => valuesOf(round.things, i, people)),
    [round.criteria, round.things, people],
  );
  const figures = useMemo(
    () => round.criteria.map(({ scale }, i) => figuresOf(questions[i]!, stepsOf(scale).length, level)),
    [round.criteria, questions, level],
  );
  const intervals = useIntervals(questions, level);
  const areTwo = people.length === 2;
  if (round.round.blind && round.round.state === "judging")
    return (
      <p className="max-w-prose text-quiet">
        This round is blind. How far you agree is seen when it has been opened, because until then nobody sees
        what the others think.
      </p>
    );
  return (
    <div>
      <div className="mb-4 flex flex-wrap items-start gap-x-8 gap-y-2">
        <Choice
          label="The steps are"
          value={level}
          options={LEVELS.map((one) => [one, LEVEL_WORDS[one]] as const)}
          onChange={(event) => setLevel(event.target.value as Level)}
        />
        {round.people.length > 2 && (
          <fieldset>
            <legend className="text-sm font-semibold">Counted</legend>
            <div className="flex flex-wrap gap-x-4">
              {round.people.map((person, i) => (
                <Tick
                  key={person.id}
                  words={person.name}
                  on={!without.includes(i)}
                  onSet={(on) =>
                    setWithout((old) =>
                      on
                        ? old.filter((one) => one !== i)
                        : old.length < people.length + old.length - 2
                          ? [...old, i]
                          : old,
                    )
                  }
                />
              ))}
            </div>
          </fieldset>
        )}
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Figures of agreement">
        <table className="w-full min-w-3xl border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-line text-left text-sm text-quiet">
              <th className="py-2 pr-4 font-semibold">Question</th>
              <th className="py-2 pr-4 text-right font-semibold">Things</th>
              <th className="py-2 pr-4 text-right font-semibold">Alike</th>
              <th className="py-2 pr-4 text-right font-semibold">{areTwo ? "Cohen’s κ" : "Fleiss’ κ"}</th>
              {areTwo && <th className="py-2 pr-4 text-right font-semibold">weighted κ</th>}
              <th className="py-2 pr-4 text-right font-semibold">Krippendorff’s α</th>
              <th className="py-2 pr-4 text-right font-semibold">Gwet’s AC1</th>
              <th className="py-2 font-semibold">In words</th>
            </tr>
          </thead>
          <tbody>
            {round.criteria.map(({ id, name }, i) => {
              const of = figures[i]!;
              const interval = intervals?.[i] ?? null;
              const enough = of.things >= FEWEST_THINGS;
              return (
                <tr key={id} className="border-b border-line align-baseline">
                  <th scope="row" className="py-2 pr-4 text-left font-semibold">
                    {name}
                  </th>
                  <td className="py-2 pr-4 text-right tabular-nums">{of.things}</td>
                  <td className="py-2 pr-4 text-right tabular-nums">
                    {of.percent === null ? "–" : `${Math.round(of.percent * 100)} %`}
                  </td>
                  <Figure value={enough ? of.kappa : null} />
                  {areTwo && <Figure value={enough ? of.weighted : null} />}
                  <Figure value={enough ? of.alpha : null} interval={enough ? interval : null} />
                  <Figure value={enough ? of.ac1 : null} />
                  <td className="min-w-56 py-2">{sayAgreement(of, interval)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <details className="mt-4 max-w-prose text-[15px]">
        <summary className="cursor-pointer font-semibold">What these figures are</summary>
        <dl className="mt-2 [&_dd]:mb-2 [&_dd]:text-quiet [&_dt]:font-semibold">
          <dt>Alike</dt>
          <dd>
            The share of pairs of people who gave the same answer, over the things judged by two or more. It
            does not take off what would be alike by chance.
          </dd>
          <dt>κ</dt>
          <dd>
            κ = (alike − alike by chance) / (1 − alike by chance). Cohen (1960) for two people, with linear
            weights Cohen (1968): a step apart counts less than two. Fleiss (1971) for more, where everything
            is judged by as many.
          </dd>
          <dt>α</dt>
          <dd>
            α = 1 − disagreement / disagreement by chance, for any number of people and with gaps
            (Krippendorff 2004). In brackets, between which it lies with 95 of 100: 2,000 draws of things with
            replacement.
          </dd>
          <dt>AC1</dt>
          <dd>
            Where almost every answer is the same, κ and α fall although people agree; AC1 does not (Gwet
            2008).
          </dd>
          <dt>In words</dt>
          <dd>
            Slight, fair, moderate, substantial, almost perfect: at 0, 0.21, 0.41, 0.61, 0.81 (Landis and Koch
            1977). They are a habit, and no law.
          </dd>
        </dl>
      </details>
    </div>
  );
}

const two = (value: number) => value.toFixed(2).replace("-", "−");

const Figure = ({ value, interval }: { value: number | null; interval?: [number, number] | null }) => (
  <td className="py-2 pr-4 text-right whitespace-nowrap tabular-nums">
    {value === null ? "–" : two(value)}
    {value !== null && interval && (
      <span className="text-sm text-quiet">
        {" "}
        ({two(interval[0])} to {two(interval[1])})
      </span>
    )}
  </td>
);
