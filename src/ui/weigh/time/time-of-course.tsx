"use client";

import { useMemo, useState } from "react";
import { minutesIn } from "@/core/fit/load";
import { insideOf } from "@/core/list/tree-moves";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { Empty } from "../../parts/empty";
import { Choice } from "../../parts/field";
import { Link } from "../../parts/link";
import { Frame, type Me, type TeamRow } from "../../shell/frame";
import { ask } from "../../talk/call";
import { useLiveAnswer } from "../../talk/use-live-answer";
import { LoadChart } from "./load-chart";
import { sayOver } from "./say-load";

type Course = Answer<"load.course">;
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Course };

/** How long each week or lesson of a course takes, beside how long it shall take. */
export function TimeOfCourse({ me, teams, team, first }: Props) {
  const [{ collections }] = useLiveAnswer(
    team.id,
    ["load-of-course", team.id],
    () => ask("load.course", { team: team.id }),
    first,
    ...(["items", "item", "list", "head", "resource", "tree"] as const),
  );
  const [course, setCourse] = useState(() => begin(first.collections));
  const rows = useMemo(() => {
    const inside = insideOf(collections, course);
    const shown = collections.filter(({ id }) => inside.has(id));
    const top = Math.min(...shown.map(({ depth }) => depth));
    return shown.map((one) => ({ ...one, depth: one.depth - top, minutes: minutesIn(one) }));
  }, [collections, course]);
  const counted = rows.filter(({ minutes, aimMinutes, unknown }) => minutes || aimMinutes || unknown);
  const all = counted.reduce((sum, { minutes }) => sum + minutes, 0);
  const over = counted.filter(({ minutes, aimMinutes }) => aimMinutes !== null && minutes > aimMinutes);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-4xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Time</h1>
          <p className="mt-1 mb-4 max-w-prose text-quiet">
            How long one is busy with each collection: reading, playing, and what is done with things. Open
            one to say how long there is, and to make it fit.
          </p>
          {collections.length === 0 ? (
            <Empty title="No collections yet">
              <p>As soon as there is one, you see here how long it takes.</p>
            </Empty>
          ) : (
            <>
              <Choice
                label="Course"
                className="max-w-md"
                value={course}
                options={collections.map(
                  (one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const,
                )}
                onChange={(event) => setCourse(event.target.value)}
              />
              <p role="status" className="mt-4 text-lg">
                <b className="font-semibold tabular-nums">{sayMinutes(all)}</b>
                <span className="text-[15px] text-quiet">
                  {" "}
                  in {counted.length === 1 ? "1 collection" : `${counted.length} collections`}
                  {over.length > 0 && ` · ${over.length} too long`}
                </span>
              </p>
              {counted.length > 0 && <LoadChart rows={counted} team={team.id} />}
              {counted.some(({ aimMinutes }) => aimMinutes !== null) && (
                <p className="mt-1 text-sm text-quiet">A stroke stands where the time there is ends.</p>
              )}
              <div
                className="mt-4 overflow-x-auto"
                tabIndex={0}
                role="region"
                aria-label="Time by collection"
              >
                <table className="w-full min-w-[44rem] border-collapse text-[15px] tabular-nums">
                  <thead>
                    <tr className="border-b border-line text-right text-sm text-quiet">
                      <th className="py-1.5 pr-4 text-left font-semibold">Collection</th>
                      <th className="py-1.5 pr-4 font-semibold">In all</th>
                      <th className="py-1.5 pr-4 font-semibold">There are</th>
                      <th className="py-1.5 pr-8 font-semibold">Left</th>
                      <th className="py-1.5 pr-4 font-semibold">Reading</th>
                      <th className="py-1.5 pr-4 font-semibold">Playing</th>
                      <th className="py-1.5 font-semibold">Work</th>
                    </tr>
                  </thead>
                  <tbody>
                    {rows.map((row) => (
                      <tr key={row.id} className="border-b border-line text-right">
                        <th scope="row" className="py-1 pr-4 text-left font-normal">
                          <Link
                            href={`/team/${team.id}/time/${row.id}`}
                            className="block rounded-sm py-1 break-words underline decoration-edge underline-offset-4 hover:decoration-accent"
                            style={{ marginInlineStart: `${row.depth}rem` }}
                          >
                            {row.title}
                          </Link>
                        </th>
                        <td className="py-1 pr-4 font-semibold whitespace-nowrap">
                          {row.minutes > 0 && sayMinutes(row.minutes)}
                          {row.unknown > 0 && (
                            <span className="block text-sm font-normal text-quiet">
                              and {row.unknown} of unknown length
                            </span>
                          )}
                        </td>
                        <td className="py-1 pr-4 whitespace-nowrap">
                          {row.aimMinutes !== null && sayMinutes(row.aimMinutes)}
                        </td>
                        <td
                          className={`py-1 pr-8 whitespace-nowrap ${row.aimMinutes !== null && row.minutes > row.aimMinutes ? "font-semibold text-warn" : "text-quiet"}`}
                        >
                          {row.aimMinutes !== null && sayOver(row.minutes - row.aimMinutes)}
                        </td>
                        <td className="py-1 pr-4 whitespace-nowrap">
                          {row.reading > 0 && sayMinutes(row.reading)}
                        </td>
                        <td className="py-1 pr-4 whitespace-nowrap">
                          {row.playing > 0 && sayMinutes(row.playing)}
                        </td>
                        <td className="py-1 whitespace-nowrap">{row.task > 0 && sayMinutes(row.task)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            </>
          )}
        </div>
      </main>
    </Frame>
  );
}

/** The course whose time is set somewhere, else the first there is. */
function begin(collections: Course["collections"]): string {
  const known = new Map(collections.map((one) => [one.id, one]));
  let root = collections.find(({ aimMinutes }) => aimMinutes !== null) ?? collections[0];
  while (root?.parent && known.has(root.parent)) root = known.get(root.parent);
  return root?.id ?? "";
}
