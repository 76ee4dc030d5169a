"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Answers } from "@/core/appraise/answers";
import { hintsFor } from "@/core/appraise/hints";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Choice } from "../parts/field";
import { sayDone } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { Question } from "./judge/question";
import { usePassages } from "./judge/use-passages";

type Set = Answer<"criteria.read">["criteria"][number];
type Props = {
  team: string;
  resource: Parameters<typeof hintsFor>[1] & { id: string; title: string };
  /** What one said before, by the set. */
  own: ReadonlyMap<string, Answers>;
  onClose: () => void;
};

/** Judging one thing on its own, outside of any round. */
export function JudgeOne({ team, resource, own, onClose }: Props) {
  const { data } = useQuery({ queryKey: ["criteria", team], queryFn: () => ask("criteria.read", { team }) });
  const [chosen, setChosen] = useState("");
  const set = data?.criteria.find((one) => one.id === chosen) ?? data?.criteria[0];
  return (
    <Dialog open wide onOpenChange={(on) => !on && onClose()} title="Appraise it" about={resource.title}>
      {data && !set && (
        <p className="text-[15px]">
          Your team has no criteria yet. They are written under Weigh up, Appraisal.
        </p>
      )}
      {data && data.criteria.length > 1 && set && (
        <Choice
          label="By which criteria"
          value={set.id}
          options={data.criteria.map((one) => [one.id, one.name] as const)}
          onChange={(event) => setChosen(event.target.value)}
        />
      )}
      {set && <OneSet key={set.id} {...{ team, resource, set, onClose }} before={own.get(set.id) ?? {}} />}
    </Dialog>
  );
}

type OneProps = Omit<Props, "own"> & { set: Set; before: Answers };

function OneSet({ team, resource, set, before, onClose }: OneProps) {
  const client = useQueryClient();
  const [answers, setAnswers] = useState<Answers>(() =>
    // What was answered to other words is not an answer to these.
    Object.fromEntries(Object.entries(before).filter(([id]) => set.content.some((one) => one.id === id))),
  );
  const [says, setSays] = useState<string | null>(null);
  const passages = usePassages(resource.id, says !== null || Object.values(answers).some(({ why }) => why));
  const [year] = useState(() => new Date().getFullYear());
  const open = set.content.filter(({ id }) => !answers[id]).length;
  const save = () =>
    call("appraisals.give", { resource: resource.id, criteria: set.id, number: set.number, answers })
      .then(({ entry }) => {
        const again = () => void client.invalidateQueries({ queryKey: ["appraisals", resource.id] });
        again();
        onClose();
        sayDone("Your appraisal is saved.", team, entry, again);
      })
      .catch(sayFailure);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {set.content.map((criterion) => (
        <Question
          key={criterion.id}
          criterion={criterion}
          given={answers[criterion.id]}
          now={false}
          asks="press"
          hints={hintsFor(criterion.id, resource, year)}
          says={says === criterion.id}
          passages={passages}
          onEnter={() => undefined}
          onSay={() => setSays(criterion.id)}
          onStep={(step) => setAnswers((old) => ({ ...old, [criterion.id]: { ...old[criterion.id], step } }))}
          onReason={(reason) =>
            setAnswers((old) => ({ ...old, [criterion.id]: { ...old[criterion.id]!, reason } }))
          }
          onWhy={(why) =>
            setAnswers((old) => ({
              ...old,
              [criterion.id]: { ...(old[criterion.id] ?? { step: null }), why },
            }))
          }
        />
      ))}
      <div className="mt-3 flex flex-wrap items-center justify-end gap-2">
        <p className="mr-auto text-sm text-quiet">
          {open === 0 ? "" : open === 1 ? "One question is open." : `${open} questions are open.`}
        </p>
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button look="accent" type="submit" disabled={open === set.content.length}>
          Save
        </Button>
      </div>
    </form>
  );
}
