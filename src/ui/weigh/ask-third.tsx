"use client";

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Choice } from "../parts/field";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Round = Answer<"rounds.look">;
type Props = { round: Round; thing: Round["things"][number]; onAsked: () => void };

/** By which somebody else is asked what they think of a thing, where those who judged it do not agree. */
export function AskThird({ round, thing, onAsked }: Props) {
  const { team, id } = round.round;
  const [isOpen, setOpen] = useState(false);
  const { data } = useQuery({
    queryKey: ["members", "names", team],
    queryFn: () => ask("members.read", { team }),
    enabled: isOpen,
  });
  const others = (data?.members ?? []).filter(
    (one) => may(one.role, "bring") && !thing.judges.some((judge) => round.people[judge]!.id === one.id),
  );
  const set = (person: string, asked: boolean) =>
    void call("rounds.ask-third", { round: id, resource: thing.resource.id, person, asked })
      .then(() => (setOpen(false), onAsked()))
      .catch(sayFailure);
  const waiting = thing.thirds.filter((one) => !thing.said.some(({ person }) => person === one));
  return (
    <>
      {waiting.map((one) => {
        const { id: person, name } = round.people[one]!;
        return (
          <span key={person} className="text-quiet">
            {" "}
            · {name} is asked, too{" "}
            <button
              type="button"
              className="min-h-6 text-accent hover:underline"
              onClick={() => set(person, false)}
            >
              Ask them no more
            </button>
          </span>
        );
      })}
      {" · "}
      {isOpen && data ? (
        others.length ? (
          <span className="inline-block align-middle">
            <Choice
              label="Who is asked, too"
              hideLabel
              autoFocus
              value=""
              options={[["", "Who?"], ...others.map((one) => [one.id, one.name] as const)]}
              onChange={({ target }) => target.value && set(target.value, true)}
            />
          </span>
        ) : (
          <span className="text-quiet">Everybody in the team has judged it.</span>
        )
      ) : (
        <button type="button" className="min-h-6 text-accent hover:underline" onClick={() => setOpen(true)}>
          Ask somebody else, too
        </button>
      )}
    </>
  );
}
