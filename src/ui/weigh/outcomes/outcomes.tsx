"use client";

import { useMemo, useState } from "react";
import { coverage, gaps, type Row } from "@/core/outcomes/coverage";
import { insideOf } from "@/core/list/tree-moves";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Empty } from "../../parts/empty";
import { Choice } from "../../parts/field";
import { flattenTree } from "../../parts/tree-picker";
import { Frame, type Me, type TeamRow } from "../../shell/frame";
import { sayDone, useUndo } from "../../shell/use-undo";
import { ask } from "../../talk/call";
import { useLiveAnswer } from "../../talk/use-live-answer";
import { AddOutcomes } from "./add-outcomes";
import { OutcomeRow } from "./outcome-row";
import { WhatServes } from "./what-serves";

type Collections = Answer<"collections.tree">["collections"];
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  first: Answer<"outcomes.read">;
  collections: Collections;
};

/** What learners shall be able to do, or what a review asks, and what serves it: the gaps first. */
export function Outcomes({ me, teams, team, first, collections }: Props) {
  const [{ outcomes, servings }, again] = useLiveAnswer(
    team.id,
    ["outcomes", team.id],
    () => ask("outcomes.read", { team: team.id }),
    first,
    "outcomes",
    "items",
    "tree",
    "weighing",
  );
  useUndo(team.id, again);
  const [course, setCourse] = useState(() => begin(collections, first.servings));
  const [gapsOnly, setGapsOnly] = useState(false);
  const [adding, setAdding] = useState<Row["outcome"] | "top" | null>(null);
  const [opened, setOpened] = useState<{ outcome: string; column: string } | null>(null);
  const columns = useMemo(() => {
    const tree = flattenTree(collections);
    if (!course) return [];
    const inside = insideOf(collections, course);
    return tree.filter((one) => inside.has(one.id));
  }, [collections, course]);
  const rows = useMemo(() => {
    const shown = new Set(columns.map(({ id }) => id));
    return coverage(
      outcomes,
      servings
        .filter((one) => !course || shown.has(one.collection))
        .map((one) => ({ ...one, column: one.collection })),
    );
  }, [outcomes, servings, columns, course]);
  const sums = gaps(rows);
  const arranges = may(team.role, "arrange");
  const done = (count: number, entry: string | null) => {
    setAdding(null);
    again();
    sayDone(
      count === 1 ? "One outcome is written down." : `${count} outcomes are written down.`,
      team.id,
      entry,
      again,
    );
  };
  const shown = gapsOnly ? rows.filter(({ heads, cover }) => !heads && cover !== "covered") : rows;
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-auto px-4 pb-16">
        <div className="sticky left-0 max-w-[calc(100vw-2rem)] pt-6">
          <div className="flex flex-wrap items-center gap-3">
            <h1 className="mr-auto font-serif text-3xl font-semibold">Outcomes</h1>
            {arranges && outcomes.length > 0 && adding === null && (
              <Button look="accent" onClick={() => setAdding("top")}>
                Write more
              </Button>
            )}
          </div>
          <p className="mt-1 mb-4 max-w-prose text-quiet">
            What learners shall be able to do, or what you want to find out, and what serves it. Press a cell
            to say what in that collection does.
          </p>
          {adding !== null && (
            <div className="max-w-3xl">
              <AddOutcomes
                key={adding === "top" ? "top" : adding.id}
                team={team.id}
                inside={adding === "top" ? undefined : { id: adding.id, words: adding.code || adding.title }}
                onDone={done}
                onLeave={() => setAdding(null)}
              />
            </div>
          )}
          {outcomes.length === 0 && adding === null && (
            <Empty title="No outcomes yet">
              <p>Paste what the syllabus asks for, or the questions of your review, one a line.</p>
              {arranges && (
                <Button look="accent" onClick={() => setAdding("top")}>
                  Write or paste them
                </Button>
              )}
            </Empty>
          )}
          {outcomes.length > 0 && (
            <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-3">
              <Choice
                label="Served by what stands in"
                value={course}
                options={[
                  ["", "anything of the team"],
                  ...flattenTree(collections).map(
                    (one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const,
                  ),
                ]}
                onChange={(event) => (setCourse(event.target.value), setOpened(null))}
              />
              <Summary sums={sums} gapsOnly={gapsOnly} onGaps={setGapsOnly} />
            </div>
          )}
        </div>
        {outcomes.length > 0 && (
          <table className="border-collapse text-[15px]">
            <thead>
              <tr className="border-b border-line text-left align-bottom text-sm text-quiet">
                <th className="sticky left-0 z-[1] bg-ground py-2 pr-3 font-semibold">Outcome</th>
                <th className="py-2 pr-3 font-semibold">Served</th>
                {columns.map((column) => (
                  <th
                    key={column.id}
                    className="max-w-40 min-w-28 border-l border-line px-2 py-2 font-semibold"
                  >
                    <span className="line-clamp-3 break-words">{column.title}</span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {shown.map((row) => {
                const column = columns.find(
                  (one) => opened?.outcome === row.outcome.id && one.id === opened.column,
                );
                return (
                  <OutcomeRow
                    key={row.outcome.id}
                    {...{ row, columns, arranges, course }}
                    asks={course !== "" && may(team.role, "publish")}
                    team={team.id}
                    opened={column?.id ?? null}
                    onOpen={(to) => setOpened(to ? { outcome: row.outcome.id, column: to } : null)}
                    onAddInside={() => setAdding(row.outcome)}
                    onChanged={again}
                  >
                    {column && (
                      <WhatServes
                        outcome={row.outcome}
                        collection={column}
                        brings={may(team.role, "bring")}
                        onChanged={again}
                        onLeave={() => setOpened(null)}
                      />
                    )}
                  </OutcomeRow>
                );
              })}
            </tbody>
          </table>
        )}
        {outcomes.length > 0 && !course && (
          <p className="sticky left-0 mt-4 max-w-prose text-[15px] text-quiet">
            Choose a course to see which of its collections serve what, and to say so.
          </p>
        )}
      </main>
    </Frame>
  );
}

/** The course in which something serves an outcome already, else the first there is. */
function begin(collections: Collections, servings: Props["first"]["servings"]): string {
  const known = new Map(collections.map((one) => [one.id, one]));
  let root = known.get(servings[0]?.collection ?? "") ?? collections.find((one) => one.parent === null);
  while (root?.parent && known.has(root.parent)) root = known.get(root.parent);
  return root?.id ?? "";
}

type SummaryProps = { sums: ReturnType<typeof gaps>; gapsOnly: boolean; onGaps: (on: boolean) => void };

/** How many are covered, and how many not. */
function Summary({ sums, gapsOnly, onGaps }: SummaryProps) {
  const { nothing, "one thing": one, "only unappraised": unappraised, covered } = sums;
  const said = [
    ...(nothing ? [`${nothing} by nothing`] : []),
    ...(one ? [`${one} by one thing`] : []),
    ...(unappraised ? [`${unappraised} only by what nobody has appraised`] : []),
  ];
  const all = nothing + one + unappraised + covered;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pb-1 text-[15px]" role="status">
      <p>
        <b className="font-semibold">
          {covered} of {all} covered
        </b>
        {said.length > 0 && <span className="text-quiet">; {said.join(", ")}</span>}
      </p>
      {said.length > 0 && (
        <Button
          small
          look={gapsOnly ? "accent" : "line"}
          aria-pressed={gapsOnly}
          onClick={() => onGaps(!gapsOnly)}
        >
          Only the gaps
        </Button>
      )}
    </div>
  );
}
