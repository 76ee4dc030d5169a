"use client";

import { useRef, useState } from "react";
import { type Answers, type Given } from "@/core/appraise/answers";
import type { Answer } from "@/services/registry";
import { call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";

type Round = Answer<"rounds.look">;

/** What one said of the things of a round so far, as it came. */
function answersOf(round: Round, me: number): Record<string, Answers> {
  return Object.fromEntries(
    round.things.flatMap(({ resource, said }) => {
      const own = said.find(({ person }) => person === me);
      if (!own) return [];
      const all = round.criteria.flatMap(({ id }, i) => {
        const step = own.steps[i];
        return step == null
          ? []
          : [
              [
                id,
                {
                  step: step || null,
                  ...(own.why[id] && { why: own.why[id] }),
                  ...(own.out[id] && { reason: own.out[id] }),
                },
              ] as const,
            ];
      });
      return [[resource.id, Object.fromEntries(all)] as const];
    }),
  );
}

/**
 * One's own answers, shown at once and sent behind: of a thing one sending at a time, the newest last. What could not be sent is
 * said, and stays on the screen to be sent with the next answer.
 * @param me one's place among the people of the round
 * @param done hears that something has arrived
 */
export function useOwnAnswers(round: Round, me: number, done: () => void) {
  const [answers, setAnswers] = useState(() => answersOf(round, me));
  const newest = useRef(answers);
  const going = useRef(new Set<string>());
  const send = async (resource: string) => {
    if (going.current.has(resource)) return;
    going.current.add(resource);
    try {
      for (let sent: Answers | undefined; sent !== newest.current[resource];) {
        sent = newest.current[resource];
        await call("appraisals.give", {
          ...{ resource, criteria: round.round.criteria, number: round.round.number },
          ...{ round: round.round.id, answers: sent ?? {} },
        });
      }
      done();
    } catch (failure) {
      sayFailure(failure);
    } finally {
      going.current.delete(resource);
    }
  };
  return {
    answers,
    give: (resource: string, criterion: string, given: Given) => {
      newest.current = {
        ...newest.current,
        [resource]: { ...newest.current[resource], [criterion]: given },
      };
      setAnswers(newest.current);
      void send(resource);
    },
  };
}
