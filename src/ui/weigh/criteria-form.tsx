"use client";

import { useState } from "react";
import { type Criterion, HEAVIEST, MOST_CRITERIA, MOST_REASONS } from "@/core/appraise/criteria";
import { SCALES, SCALE_WORDS, type Scale, stepsOf } from "@/core/appraise/scales";
import { Button } from "../parts/button";
import { Area, Choice, Field } from "../parts/field";
import { call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayByField } from "../talk/say-failure";

type Set = { name: string; content: Criterion[] };
type Props = {
  team: string;
  /** One that is changed. */
  set?: Set & { id: string };
  /** What a new one begins with. */
  from?: Set;
  onDone: () => void;
  onLeave: () => void;
};

const blank = (): Criterion => ({
  ...{
    id: `c-${newId().slice(-12)}`,
    name: "",
    question: "",
    scale: "three",
    guide: ["", "", ""],
    weight: 1,
  },
});

/** Writes a set of criteria, or changes one: its questions, their scales, what the steps mean, how much each counts. */
export function CriteriaForm({ team, set, from, onDone, onLeave }: Props) {
  const [id] = useState(() => set?.id ?? newId());
  const [name, setName] = useState((set ?? from)?.name ?? "");
  const [questions, setQuestions] = useState<Criterion[]>(() => (set ?? from)?.content ?? [blank()]);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const change = (at: number, fields: Partial<Criterion>) => {
    setErrors({});
    setQuestions((old) => old.map((one, i) => (i === at ? { ...one, ...fields } : one)));
  };
  const move = (at: number, by: -1 | 1) =>
    setQuestions((old) => {
      const all = [...old];
      all.splice(at + by, 0, ...all.splice(at, 1));
      return all;
    });
  const save = () => {
    const missing = questions.findIndex((one) => !one.name.trim());
    if (missing >= 0) return setErrors({ [`name-${missing}`]: "Give the question a short name." });
    call("criteria.save", { team, criteria: id, name, content: questions })
      .then(onDone)
      .catch(sayByField(setErrors));
  };
  return (
    <form
      noValidate
      className="mb-6 rounded-md border border-line bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <Field
        label="What the set is called"
        autoFocus={!set}
        value={name}
        error={errors.name}
        maxLength={120}
        onChange={(event) => (setName(event.target.value), setErrors({}))}
      />
      {set && (
        <p className="mt-1 text-sm text-quiet">
          What was judged already stays with the words it was given to.
        </p>
      )}
      <ol className="mt-4 flex flex-col gap-5">
        {questions.map((one, at) => (
          <li key={one.id} className="border-t border-line pt-4">
            <div className="grid gap-3 sm:grid-cols-[minmax(0,1fr)_11rem_6rem]">
              <Field
                label={`Name of question ${at + 1}`}
                value={one.name}
                error={errors[`name-${at}`]}
                maxLength={60}
                onChange={(event) => change(at, { name: event.target.value })}
              />
              <Choice
                label="Scale"
                value={one.scale}
                options={SCALES.map((scale) => [scale, SCALE_WORDS[scale]] as const)}
                onChange={(event) => {
                  const scale = event.target.value as Scale;
                  change(at, { scale, guide: stepsOf(scale).map((_, i) => one.guide[i] ?? "") });
                }}
              />
              <Field
                label="Weight"
                type="number"
                min={0}
                max={HEAVIEST}
                step={0.5}
                value={one.weight}
                onChange={(event) =>
                  change(at, { weight: Math.min(HEAVIEST, Math.max(0, Number(event.target.value) || 0)) })
                }
              />
              <Field
                className="sm:col-span-3"
                label="The question"
                value={one.question}
                maxLength={300}
                onChange={(event) => change(at, { question: event.target.value })}
              />
            </div>
            <details className="mt-2">
              <summary className="cursor-pointer text-[15px] text-quiet">What each step means</summary>
              <div className="mt-2 flex flex-col gap-2">
                {stepsOf(one.scale).map(({ value, word }, i) => (
                  <Field
                    key={value}
                    label={word}
                    value={one.guide[i] ?? ""}
                    maxLength={200}
                    onChange={(event) =>
                      change(at, {
                        guide: stepsOf(one.scale).map((_, to) =>
                          to === i ? event.target.value : (one.guide[to] ?? ""),
                        ),
                      })
                    }
                  />
                ))}
              </div>
            </details>
            {one.scale === "screen" && (
              <Area
                className="mt-2"
                label="Reasons for being out, one a line"
                rows={3}
                value={(one.reasons ?? []).join("\n")}
                onChange={(event) => change(at, { reasons: event.target.value.split("\n", MOST_REASONS) })}
              />
            )}
            <div className="mt-2 flex gap-1">
              <Button small look="quiet" disabled={at === 0} onClick={() => move(at, -1)}>
                Up
              </Button>
              <Button small look="quiet" disabled={at === questions.length - 1} onClick={() => move(at, 1)}>
                Down
              </Button>
              <Button
                small
                look="quiet"
                disabled={questions.length === 1}
                onClick={() => setQuestions((old) => old.filter((_, i) => i !== at))}
              >
                Take out
              </Button>
            </div>
          </li>
        ))}
      </ol>
      {errors.content && (
        <p role="alert" className="mt-2 text-sm text-stop">
          {errors.content}
        </p>
      )}
      <div className="mt-4 flex flex-wrap justify-end gap-2 border-t border-line pt-4">
        <Button
          className="mr-auto"
          disabled={questions.length >= MOST_CRITERIA}
          onClick={() => setQuestions((old) => [...old, blank()])}
        >
          Another question
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Cancel
        </Button>
        <Button look="accent" type="submit">
          Save the set
        </Button>
      </div>
    </form>
  );
}
