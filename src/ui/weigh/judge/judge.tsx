"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { isWhole } from "@/core/appraise/answers";
import { hintsFor, isHinted } from "@/core/appraise/hints";
import { OUT, stepsOf } from "@/core/appraise/scales";
import { REASON_KEYS } from "@/core/appraise/screening";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Empty } from "../../parts/empty";
import { Key } from "../../parts/key";
import { KindMark } from "../../parts/kind";
import { Progress } from "../../parts/progress";
import { isTyping } from "../../shell/commands";
import { useWindowKeys } from "../../shell/use-window-keys";
import { askAhead, Beside, useKnown } from "./beside";
import { Question } from "./question";
import { useOwnAnswers } from "./use-own-answers";
import { usePassages } from "./use-passages";

type Round = Answer<"rounds.look">;
type Props = { round: Round; me: number; onGiven: () => void; onShown: () => void };

/** Judging: one thing at a time beside its reading copy, a key for each step. */
export function Judge({ round, me, onGiven, onShown }: Props) {
  const { answers, give } = useOwnAnswers(round, me, onGiven);
  const { state } = round.round;
  const mine = useMemo(
    () => round.things.filter(({ judges, thirds }) => (state === "judging" ? judges : thirds).includes(me)),
    [round.things, state, me],
  );
  const isDone = (resource: string) => isWhole(answers[resource] ?? {}, round.criteria);
  const [at, setAt] = useState(() => {
    const open = mine.findIndex(({ resource }) => !isDone(resource.id));
    return open < 0 ? 0 : open;
  });
  const client = useQueryClient();
  const next = mine[at + 1]?.resource.id;
  useEffect(() => askAhead(client, next), [client, next]);
  const done = mine.filter(({ resource }) => isDone(resource.id)).length;
  const thing = mine[Math.min(at, mine.length - 1)];
  if (!thing)
    return (
      <Empty title="Nothing here is for you to judge">
        <p>It was given to others. What they have done is seen side by side.</p>
        <Button onClick={onShown}>Side by side</Button>
      </Empty>
    );
  /** The next that is not done, behind this one and then from the beginning. */
  const onward = () => {
    const order = [...mine.keys()].map((i) => (at + 1 + i) % mine.length);
    setAt(order.find((i) => !isDone(mine[i]!.resource.id)) ?? order[0]!);
  };
  return (
    <div>
      <div className="sticky -top-4 z-10 mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-ground pt-3 pb-3">
        <p className="mr-auto text-[15px]">
          <b className="font-semibold">
            {at + 1} of {mine.length}
          </b>
          <span className="text-quiet" role="status">
            {" "}
            {done === mine.length && "· you have judged all of them"}
          </span>
        </p>
        <div className="w-40 max-sm:w-28">
          <Progress done={done} of={mine.length} words={`${done} of ${mine.length} judged`} />
        </div>
        <Button small disabled={at === 0} onClick={() => setAt(at - 1)}>
          Back
        </Button>
        <Button small look={isDone(thing.resource.id) ? "accent" : "line"} onClick={onward}>
          Next{" "}
          <span className="flex pointer-coarse:hidden">
            <Key>N</Key>
          </span>
        </Button>
      </div>
      {done === mine.length && (
        <p className="mb-4 rounded-md bg-wash px-3 py-2 text-[15px]">
          That was the last one. You can go back and change what you said until{" "}
          {state === "judging" ? "the round is opened" : "the round is done"}.{" "}
          <button type="button" className="font-semibold text-accent underline" onClick={onShown}>
            Side by side
          </button>
        </p>
      )}
      <OneThing
        key={thing.resource.id}
        round={round}
        thing={thing.resource}
        given={answers[thing.resource.id] ?? {}}
        onGive={(criterion, given) => give(thing.resource.id, criterion, given)}
        onNext={onward}
      />
    </div>
  );
}

type OneProps = {
  round: Round;
  thing: Round["things"][number]["resource"];
  given: ReturnType<typeof useOwnAnswers>["answers"][string];
  onGive: ReturnType<typeof useOwnAnswers>["give"] extends (r: string, ...rest: infer A) => void
    ? (...rest: A) => void
    : never;
  onNext: () => void;
};

function OneThing({ round, thing, given, onGive, onNext }: OneProps) {
  const { criteria } = round;
  const known = useKnown(thing.id);
  const others = useMemo(
    () => round.things.flatMap(({ resource }) => (resource.id === thing.id ? [] : [resource])),
    [round.things, thing.id],
  );
  const [now, setNow] = useState(() =>
    Math.max(
      0,
      criteria.findIndex(({ id }) => !given[id]),
    ),
  );
  const [says, setSays] = useState<string | null>(null);
  // What is marked may be quoted as soon as somebody says why.
  const passages = usePassages(thing.id, says !== null || criteria.some(({ id }) => given[id]?.why));
  const places = useRef<(HTMLFieldSetElement | null)[]>([]);
  const [year] = useState(() => new Date().getFullYear());
  const go = (to: number) => {
    const place = Math.max(0, Math.min(criteria.length - 1, to));
    setNow(place);
    places.current[place]?.scrollIntoView({ block: "nearest" });
  };
  // Why is asked of the one that was answered last, also when the next is at hand.
  const asked = given[criteria[now]?.id ?? ""] ? now : given[criteria[now - 1]?.id ?? ""] ? now - 1 : null;
  /** Of what was just left out, the reason that a letter stands for. */
  const reasonOf = (key: string): string | undefined => {
    const { id, scale, reasons } = criteria[asked ?? -1] ?? {};
    return scale === "screen" && given[id!]?.step === OUT ? reasons?.[REASON_KEYS.indexOf(key)] : undefined;
  };
  const giveReason = (id: string, reason: string) => onGive(id, { ...given[id]!, reason });
  useWindowKeys((event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    const isStep = event.target instanceof HTMLInputElement && event.target.type === "radio";
    if (isTyping(event.target) && !isStep) {
      // Out of the field of a reason back to the keys, at what is still to be answered.
      if (event.key === "Escape") {
        (event.target as HTMLElement).blur();
        const open = criteria.findIndex(({ id }) => !given[id]);
        if (open >= 0) go(open);
      }
      return;
    }
    const criterion = criteria[now];
    if (!criterion) return;
    const key = event.key.toLowerCase();
    if (/^[0-9]$/.test(key)) {
      const step = Number(key);
      if (step > stepsOf(criterion.scale).length) return;
      event.preventDefault();
      onGive(criterion.id, { ...given[criterion.id], step: step || null });
      go(now + 1);
    } else if (reasonOf(key)) {
      event.preventDefault();
      giveReason(criteria[asked!]!.id, reasonOf(key)!);
    } else if (key === "w" && asked !== null) {
      event.preventDefault();
      setSays(criteria[asked]!.id);
    } else if (key === "n") {
      event.preventDefault();
      onNext();
    } else if (key === "arrowdown" || key === "arrowup") {
      // Among the steps of a question the arrows are the platform's.
      if (isStep) return;
      event.preventDefault();
      go(now + (key === "arrowdown" ? 1 : -1));
    }
  });
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <h2 className="flex min-w-0 items-start gap-1 font-serif text-2xl leading-snug font-semibold lg:col-span-2">
        <span className="mt-1.5 flex">
          <KindMark kind={thing.kind} />
        </span>
        <span className="min-w-0 break-words">{thing.title}</span>
      </h2>
      <section aria-label="Your judgement" className="lg:order-2">
        <div className="lg:sticky lg:top-14">
          {criteria.map((criterion, i) => (
            <Question
              key={criterion.id}
              ref={(node) => {
                places.current[i] = node;
              }}
              criterion={criterion}
              given={given[criterion.id]}
              now={i === now}
              asks={i === asked ? "key" : null}
              hints={
                known
                  ? hintsFor(criterion.id, { ...known, others }, year)
                  : isHinted(criterion.id)
                    ? null
                    : []
              }
              says={says === criterion.id}
              onEnter={() => setNow(i)}
              onSay={() => (setNow(i), setSays(criterion.id))}
              passages={passages}
              onStep={(step) => {
                onGive(criterion.id, { ...given[criterion.id], step });
                setNow(i);
              }}
              onReason={(reason) => giveReason(criterion.id, reason)}
              onWhy={(why) => onGive(criterion.id, { ...given[criterion.id]!, why })}
            />
          ))}
        </div>
      </section>
      <Beside thing={thing} />
    </div>
  );
}
