"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { flowOf, flowRows } from "@/core/appraise/flow";
import { flowSvg } from "@/core/appraise/flow-svg";
import { fileName } from "@/core/formats/file-name";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/field";
import { ask } from "../../talk/call";
import { saveFile } from "../../talk/save-file";
import { sayFailure } from "../../talk/say-failure";
import { Searches } from "./searches";

type Round = Answer<"rounds.look">;

/** The numbers of a review as the flow figure of PRISMA 2020, with its table and the record of searches. */
export function Flow({ round, brings }: { round: Round; brings: boolean }) {
  const { id, team, title } = round.round;
  const client = useQueryClient();
  const key = ["flow", id];
  const { data } = useQuery({ queryKey: key, queryFn: () => ask("rounds.flow", { round: id }) });
  const reasons = useMemo(
    () => [...new Set(data?.rounds.at(-1)?.reasons.flatMap(({ reason }) => reason ?? []) ?? [])],
    [data],
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const notHad =
    chosen ?? reasons.find((reason) => /\b(not to be had|not retrieved|full text)\b/i.test(reason)) ?? "";
  const flow = useMemo(() => data && flowOf(data.searches, data.rounds, notHad || null), [data, notHad]);
  if (!data || !flow) return <div className="h-96" />;
  const rows = flowRows(flow);
  const svg = flowSvg(flow);
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        {reasons.length > 0 && data.rounds.length > 1 && (
          <Choice
            label="“Not retrieved” is what is out because of"
            value={notHad}
            options={[["", "no reason of these"], ...reasons.map((reason) => [reason, reason] as const)]}
            onChange={(event) => setChosen(event.target.value)}
          />
        )}
        <Button
          onClick={() => saveFile({ name: `${fileName(title)}.svg`, type: "image/svg+xml", content: svg })}
        >
          Take the figure
        </Button>
        <Button
          onClick={() =>
            void import("@/core/appraise/flow-csv")
              .then(({ flowCsv }) =>
                saveFile({ name: `${fileName(title)}.csv`, type: "text/csv", content: flowCsv(flow) }),
              )
              .catch(sayFailure)
          }
        >
          Take its table
        </Button>
      </div>
      <div className="mt-4 grid items-start gap-8 xl:grid-cols-[auto_minmax(0,1fr)]">
        <div
          role="img"
          tabIndex={0}
          aria-label="The flow of the review. Its numbers stand in the table beside it."
          className="max-w-full overflow-x-auto max-xl:order-2 rounded-md border border-line bg-[white] p-4 [&_svg]:max-w-none"
          dangerouslySetInnerHTML={{ __html: svg }}
        />
        <table className="w-full max-w-xl border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-line text-left text-sm text-quiet">
              <th className="py-1.5 pr-4 font-semibold">Stage</th>
              <th className="py-1.5 pr-4 font-semibold">What</th>
              <th className="py-1.5 text-right font-semibold">n</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([stage, what, n], i) => (
              <tr key={what} className="border-b border-line align-baseline">
                <td className="py-1.5 pr-4 text-quiet">{rows[i - 1]?.[0] === stage ? "" : stage}</td>
                <td className="py-1.5 pr-4 break-words">{what}</td>
                <td className="py-1.5 text-right tabular-nums">{n}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Searches
        {...{ team, brings }}
        round={data.first}
        searches={data.searches}
        onChanged={() => void client.invalidateQueries({ queryKey: key })}
      />
      <p className="mt-6 max-w-prose text-sm text-quiet">
        As PRISMA 2020 draws it (Page and others, BMJ 372, n71). The first round of a screening is taken for
        titles and summaries, the last for whole texts. What the searches found beyond what was screened is
        taken for removed before: the same things found twice, and others.
      </p>
    </>
  );
}
