"use client";

import { useQuery } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Answers } from "@/core/appraise/answers";
import type { Criterion } from "@/core/appraise/criteria";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { ask } from "../talk/call";
import { sayStep } from "./say-scale";

const JudgeOne = dynamic(() => import("./judge-one").then((m) => m.JudgeOne), { ssr: false });

type Props = {
  team: string;
  me: string;
  brings: boolean;
  resource: Answer<"resources.read">["resource"];
};

/** What people think of a thing: by whom, when and by what; or that nobody has said. */
export function Weighed({ team, me, brings, resource }: Props) {
  const { data } = useQuery({
    queryKey: ["appraisals", resource.id],
    queryFn: () => ask("appraisals.of-resource", { resource: resource.id }),
  });
  const [judging, setJudging] = useState(false);
  if (!data) return <div className="h-8" />;
  const { appraisals, agreed, copy } = data;
  const own = new Map(
    appraisals.filter((one) => one.person === me && !one.round).map((one) => [one.criteria, one.answers]),
  );
  const isOld = copy !== null && appraisals.length > 0 && appraisals.every((one) => (one.copy ?? 0) < copy);
  return (
    <section aria-label="Appraisal">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-sm font-semibold">Appraisal</h2>
        <p className="text-sm text-quiet">
          {appraisals.length === 0 && agreed.length === 0 && "Nobody has appraised it yet."}
          {isOld && (
            <span className="font-semibold text-warn">The page has changed since it was appraised.</span>
          )}
        </p>
        {brings && (
          <Button small look="quiet" onClick={() => setJudging(true)}>
            {own.size ? "Change what you said" : "Appraise it"}
          </Button>
        )}
      </div>
      <ul className="flex flex-col gap-1 text-[15px]">
        {agreed.map((one) => (
          <li key={one.id} className="border-l-[3px] border-ink pl-2">
            <b className="font-semibold">Agreed</b>{" "}
            <span className="text-quiet">
              in “{one.roundTitle}”, {one.updatedAt.slice(0, 10)}
            </span>
            <Said answers={one.answers} content={one.content} />
          </li>
        ))}
        {appraisals.map((one) => (
          <li key={one.id} className="pl-[11px]">
            {one.person === me ? "You" : (one.name ?? "somebody who left")}{" "}
            <span className="text-quiet">
              by “{one.criteriaName}”, {one.updatedAt.slice(0, 10)}
              {one.whole ? "" : ", not all of it yet"}
            </span>
            <Said answers={one.answers} content={one.content} />
          </li>
        ))}
      </ul>
      {judging && <JudgeOne {...{ team, resource, own }} onClose={() => setJudging(false)} />}
    </section>
  );
}

/** Answers in one line, with the reasons beneath. */
function Said({ answers, content }: { answers: Answers; content: readonly Criterion[] }) {
  const given = content.filter(({ id }) => answers[id]);
  return (
    <>
      <span className="block break-words">
        {given
          .map((criterion) => `${criterion.name}: ${sayStep(answers[criterion.id]!.step ?? 0, criterion)}`)
          .join(" · ")}
      </span>
      {given.map(
        ({ id, name }) =>
          answers[id]!.why && (
            <span key={id} className="block font-serif break-words text-quiet">
              {name}: {answers[id]!.why}
            </span>
          ),
      )}
    </>
  );
}
