"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Field } from "../parts/field";
import { call } from "../talk/call";
import { sayAtField, sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { sayUnless } from "./say-rule";

type Unless = Answer<"rules.correct">["leaveOut"][number];
type Props = {
  hit: { id: string; state: Answer<"resources.read">["resource"]["hits"][number]["state"] };
  resource: string;
  rule: string;
  /** Whether one may change what the rule asks for. */
  arranges: boolean;
  onDone: () => void;
};

/** What can be said of something a rule did or suggests: take it, decline it, or that it was wrong; and then, what it is to leave out. */
export function RuleHit({ hit, resource, rule, arranges, onDone }: Props) {
  const [offers, setOffers] = useState<Unless[] | null>(null);
  const decide = (take: boolean) =>
    void call("rules.decide", { hit: hit.id, take }).then(onDone).catch(sayFailure);
  const correct = () =>
    void call("rules.correct", { hit: hit.id, resource })
      .then(({ leaveOut }) => {
        if (arranges) setOffers(leaveOut);
        onDone();
      })
      .catch(sayFailure);
  return (
    <>
      <span className="inline-flex flex-wrap gap-1">
        {hit.state === "suggested" && (
          <>
            <Button small look="quiet" onClick={() => decide(true)}>
              Take it
            </Button>
            <Button small look="quiet" onClick={() => decide(false)}>
              Decline
            </Button>
          </>
        )}
        {hit.state === "done" && (
          <Button small look="quiet" onClick={correct}>
            That was wrong
          </Button>
        )}
        {(hit.state === "wrong" || hit.state === "declined") && (
          <Button small look="quiet" onClick={() => decide(true)}>
            Do it after all
          </Button>
        )}
      </span>
      {offers && <LeaveOut rule={rule} offers={offers} onDone={() => (setOffers(null), onDone())} />}
    </>
  );
}

/** Leaves something out of a rule, and says so with a way back. */
export const leaveOut = (rule: string, what: Unless, onDone: () => void): Promise<void> =>
  call("rules.except", { rule, ...what, out: true }).then(() => {
    onDone();
    toast(`Left out from now on: what is ${sayUnless(what)}`, {
      action: {
        label: "Undo",
        onClick: () =>
          void call("rules.except", { rule, ...what, out: false })
            .then(onDone)
            .catch(sayFailure),
      },
    });
  });

/** What a rule that was wrong could leave out from now on, so that it is not wrong again. */
function LeaveOut({ rule, offers, onDone }: { rule: string; offers: Unless[]; onDone: () => void }) {
  const [word, setWord] = useState("");
  const [error, setError] = useState<string>();
  const leave = (what: Unless) => void leaveOut(rule, what, onDone).catch(sayAtField("word", setError));
  return (
    <form
      aria-label="What the rule leaves out from now on"
      className="mt-2 flex w-full flex-col gap-2 rounded-md border border-line bg-sheet p-3 text-[15px]"
      onSubmit={(event) => {
        event.preventDefault();
        leave({ word });
      }}
    >
      <p role="status">Taken back. So that the rule is not wrong again, leave out</p>
      {offers.length > 0 && (
        <div className="flex flex-wrap gap-2">
          {offers.map((one) => (
            <Button small key={sayUnless(one)} onClick={() => leave(one)}>
              what is {sayUnless(one)}
            </Button>
          ))}
        </div>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <div className="min-w-40 flex-1">
          <Field
            label="what has this word in its title"
            value={word}
            error={error}
            onChange={(event) => (setWord(event.target.value), setError(undefined))}
          />
        </div>
        <Button small type="submit" disabled={!word.trim()}>
          Leave it out
        </Button>
        <Button small look="quiet" onClick={onDone}>
          Nothing
        </Button>
      </div>
    </form>
  );
}
