"use client";

import { clsx } from "clsx";
import { type Ref, useId } from "react";
import type { Criterion } from "@/core/appraise/criteria";
import type { Given } from "@/core/appraise/answers";
import { OUT, stepsOf } from "@/core/appraise/scales";
import { REASON_KEYS } from "@/core/appraise/screening";
import { Area } from "../../parts/field";
import { Key } from "../../parts/key";
import { Passages } from "./passages";

type Props = {
  criterion: Criterion;
  given: Given | undefined;
  /** Keys go to this one. */
  now: boolean;
  /** What Hobbin can tell; null: not known yet, and there is room for it. */
  hints: readonly string[] | null;
  /** Why is asked here: by the key too, or only by a press. */
  asks?: "key" | "press" | null;
  disabled?: boolean;
  /** The field of the reason is open. */
  says: boolean;
  ref?: Ref<HTMLFieldSetElement>;
  onEnter: () => void;
  onStep: (step: number | null) => void;
  onSay: () => void;
  onWhy: (why: string) => void;
  onReason: (reason: string) => void;
  /** What is marked in its text, to be quoted as evidence. */
  passages: readonly string[];
};

/** One question with its steps, what Hobbin can tell about it, and the reason where somebody wishes to give one. */
export function Question({
  criterion,
  given,
  now,
  hints,
  asks,
  disabled,
  says,
  ref,
  onEnter,
  onStep,
  onSay,
  onWhy,
  onReason,
  passages,
}: Props) {
  const id = useId();
  const steps = stepsOf(criterion.scale);
  return (
    <fieldset
      ref={ref}
      disabled={disabled}
      onFocus={onEnter}
      className={clsx(
        "scroll-mt-20 scroll-mb-6 border-l-[3px] py-2 pl-3",
        now ? "border-accent" : "border-transparent",
      )}
    >
      <legend className="contents">
        <span className="block text-[17px] font-semibold">{criterion.name}</span>
        {criterion.question && <span className="block text-[15px]">{criterion.question}</span>}
      </legend>
      {hints?.length !== 0 && <p className="mt-0.5 min-h-5 text-sm text-quiet">{hints?.join(" ")}</p>}
      <div className="mt-2 flex flex-wrap gap-1.5">
        {[
          ...steps.map((step) => ({ ...step, key: step.value })),
          { value: null, word: "Cannot say", key: 0 },
        ].map(({ value, word, key }) => {
          const chosen = given !== undefined && given.step === value;
          const means = value === null ? "" : (criterion.guide[value - 1] ?? "");
          return (
            <label
              key={key}
              title={means || undefined}
              className={clsx(
                "flex h-9 cursor-pointer items-center gap-1.5 rounded-md border px-2.5 text-[15px] has-focus-visible:outline-2 has-focus-visible:outline-offset-2",
                chosen ? "border-accent bg-accent text-on-accent" : "border-edge bg-sheet hover:bg-wash",
              )}
            >
              <input
                type="radio"
                className="sr-only"
                name={id}
                aria-label={means ? `${word}: ${means}` : word}
                checked={chosen}
                onChange={() => onStep(value)}
              />
              {word !== String(key) && now && <ByKeys letter={String(key)} />}
              {word}
            </label>
          );
        })}
      </div>
      <Guide criterion={criterion} chosen={given?.step ?? null} className={now && !given ? "" : FIXED} />
      {given && (
        <p className="mt-1 flex min-h-5 flex-wrap items-center gap-x-3 text-sm text-quiet pointer-coarse:hidden">
          {given.step !== null && criterion.guide[given.step - 1] && (
            <span>{criterion.guide[given.step - 1]}</span>
          )}
          {asks && !says && !given.why && <SayWhy asks={asks} onSay={onSay} />}
        </p>
      )}
      <p className={clsx("mt-1 hidden pointer-coarse:block", (!given || says || given.why) && "invisible")}>
        <SayWhy asks="press" onSay={onSay} />
      </p>
      {given?.step === OUT && criterion.scale === "screen" && criterion.reasons?.length ? (
        <fieldset className="mt-2 flex flex-wrap gap-1.5">
          <legend className="mb-1 text-sm text-quiet">
            <b className="font-semibold text-ink">Why is it out?</b>
            {!given.reason && " It is judged once you say so."}
          </legend>
          {criterion.reasons.map((reason, i) => (
            <label
              key={reason}
              className={clsx(
                "flex min-h-8 cursor-pointer items-center gap-1.5 rounded-md border px-2 text-sm has-focus-visible:outline-2 has-focus-visible:outline-offset-2",
                given.reason === reason
                  ? "border-accent bg-wash inset-ring-1 inset-ring-accent"
                  : "border-dashed border-edge bg-sheet hover:bg-wash",
              )}
            >
              <input
                type="radio"
                className="sr-only"
                name={`${id}-reason`}
                checked={given.reason === reason}
                onChange={() => onReason(reason)}
              />
              {asks === "key" && <ByKeys letter={REASON_KEYS[i]!.toUpperCase()} />}
              {reason}
            </label>
          ))}
        </fieldset>
      ) : null}
      {(says || given?.why) && (
        <Area
          label="Why"
          hideLabel
          placeholder="Why? It stands beside your answer."
          className="mt-1"
          maxLength={1000}
          autoFocus={says && !given?.why}
          value={given?.why ?? ""}
          onChange={(event) => onWhy(event.target.value)}
        />
      )}
      {(says || given?.why) && <Passages passages={passages} why={given?.why ?? ""} onQuote={onWhy} />}
    </fieldset>
  );
}

const SayWhy = ({ asks, onSay }: { asks: "key" | "press"; onSay: () => void }) => (
  <button
    type="button"
    onClick={onSay}
    className="inline-flex h-6 items-center gap-1.5 rounded text-sm text-quiet hover:text-ink hover:underline"
  >
    {asks === "key" && <Key>W</Key>} Say why
  </button>
);

/** Where one answers by a finger nothing may move from under it: all that is ever shown is there from the beginning. */
const FIXED = "hidden pointer-coarse:grid";

/** A key, where there are keys. */
const ByKeys = ({ letter }: { letter: string }) => (
  <span className="flex pointer-coarse:hidden">
    <Key>{letter}</Key>
  </span>
);

type GuideProps = { criterion: Criterion; chosen: number | null; className: string };

/** What each step means. */
function Guide({ criterion, chosen, className }: GuideProps) {
  const said = stepsOf(criterion.scale).filter((_, i) => criterion.guide[i]);
  if (!said.length) return null;
  return (
    <dl
      className={clsx(
        "mt-2 grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-0.5 text-sm text-quiet",
        className || "grid",
      )}
    >
      {said.map(({ value, word }) => (
        <div key={value} className={clsx("contents", value === chosen && "text-ink")}>
          <dt className="font-semibold">{word}</dt>
          <dd>{criterion.guide[value - 1]}</dd>
        </div>
      ))}
    </dl>
  );
}
