"use client";

import { useRef, useState } from "react";
import { minutesIn, NO_LOAD, sumOf } from "@/core/fit/load";
import { groupBy } from "@/core/list/group-by";
import { may } from "@/core/policy/abilities";
import { sayMinutes } from "@/core/text/minutes";
import type { Answer } from "@/services/registry";
import { MinutesField } from "../../lesson/minutes-field";
import { Button, buttonLook } from "../../parts/button";
import { Empty } from "../../parts/empty";
import { Link } from "../../parts/link";
import { SavedCheck } from "../../parts/saved-check";
import { KindMark } from "../../parts/kind";
import { Crumb } from "../../shell/crumb";
import { Frame, type Me, type TeamRow } from "../../shell/frame";
import { useUndo } from "../../shell/use-undo";
import { ask, call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { useLiveAnswer } from "../../talk/use-live-answer";
import { MakeItFit } from "./make-it-fit";
import { PaceField } from "./pace-field";
import { sayLoad, sayOver, sayParts } from "./say-load";

type Here = Answer<"load.read">;
type Item = Here["items"][number];
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Here };

/** How long one is busy with a collection, section by section, and what stays when it has to fit into the time there is. */
export function TimeHere({ me, teams, team, first }: Props) {
  const { id } = first.collection;
  const [here, again] = useLiveAnswer(
    team.id,
    ["load", id],
    () => ask("load.read", { collection: id }),
    first,
    ...(["items", "item", "list", "head", "resource", "tree", "weighing", "outcomes"] as const),
  );
  useUndo(team.id, again);
  const [fitting, setFitting] = useState(false);
  /** What had the focus is gone when a way is taken; it goes back to where one came from. */
  const fit = useRef<HTMLButtonElement>(null);
  const { collection, sections, items } = here;
  const arranges = may(team.role, "arrange");
  const bySection = groupBy(items, ({ section }) => section);
  const beyond = new Set(sections.filter((one) => one.beyond).map((one) => one.id));
  const meant = items.filter(({ section }) => section === null || !beyond.has(section));
  const all = sumOf(meant.map(({ load }) => load));
  const aim = collection.aimMinutes;
  const over = aim === null ? 0 : minutesIn(all) - aim;
  const set = (work: Promise<unknown>) => void work.then(again, sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-4xl pt-3">
          <Crumb href={`/team/${team.id}/time`}>Time</Crumb>
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1 className="mr-auto font-serif text-3xl font-semibold break-words">{collection.title}</h1>
            <Link href={`/bench/${id}`} className={buttonLook("quiet", true)}>
              Open the collection
            </Link>
          </div>
          <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3">
            <MinutesField
              label="Minutes there are"
              value={aim}
              disabled={!arranges}
              onSave={(aimMinutes) =>
                set(call("collections.edit", { collection: id, aimMinutes: aimMinutes || null }))
              }
            />
            <PaceField
              {...{ here, arranges }}
              onSave={(readingPace) => call("collections.edit", { collection: id, readingPace }).then(again)}
            />
          </div>
          <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
            <p role="status" className="text-lg">
              <b className={`font-semibold tabular-nums ${over > 0 ? "text-warn" : ""}`}>
                {sayMinutes(minutesIn(all))}
                {aim !== null && ` of ${sayMinutes(aim)}`}
              </b>
              <span className="text-[15px] text-quiet">
                {aim !== null && ` · ${sayOver(over)}`} · {sayParts(all)}
              </span>
            </p>
            {arranges && aim === null && meant.length > 0 && (
              <span className="text-[15px] text-quiet">
                Say how many minutes there are, and what stays can be chosen to fit.
              </span>
            )}
            {arranges && aim !== null && meant.length > 0 && (
              <Button
                ref={fit}
                look={over > 0 && !fitting ? "accent" : "line"}
                aria-expanded={fitting}
                onClick={() => setFitting(!fitting)}
              >
                Make it fit
              </Button>
            )}
          </div>
          {fitting && aim !== null && (
            <MakeItFit
              here={here}
              team={team.id}
              onDone={() => (setFitting(false), fit.current?.focus(), again())}
              again={again}
            />
          )}
          {items.length === 0 ? (
            <Empty title="Nothing stands here yet">
              <p>As soon as something does, you see here how long it takes.</p>
            </Empty>
          ) : (
            <>
              {(bySection.get(null) ?? []).length > 0 && (
                <Part title="" items={bySection.get(null)!} {...{ arranges, set, again }} />
              )}
              {sections.map((one) => (
                <Part
                  key={one.id}
                  title={one.title}
                  minutes={one.minutes}
                  beyond={one.beyond}
                  onBeyond={(beyond) => call("sections.edit", { section: one.id, beyond }).then(again)}
                  items={bySection.get(one.id) ?? []}
                  {...{ arranges, set, again }}
                />
              ))}
            </>
          )}
        </div>
      </main>
    </Frame>
  );
}

/** A row: what it is, and on a phone beneath it what is said of it. */
const ROW =
  "grid-cols-[1.5rem_minmax(0,1fr)_auto_5rem] items-center gap-x-3 sm:grid-cols-[1.5rem_minmax(0,1fr)_5rem_8rem_5rem]";

type PartProps = {
  title: string;
  /** How long it shall take; null: nobody has said. */
  minutes?: number | null;
  beyond?: boolean;
  onBeyond?: (beyond: boolean) => Promise<unknown>;
  items: Item[];
  arranges: boolean;
  set: (work: Promise<unknown>) => void;
  again: () => void;
};

/** A section, with what stands in it. */
function Part({ title, minutes = null, beyond = false, onBeyond, items, arranges, set, again }: PartProps) {
  const load = items.length ? sumOf(items.map((one) => one.load)) : NO_LOAD;
  const over = minutes === null ? 0 : minutesIn(load) - minutes;
  return (
    <section className="mt-6">
      {title && (
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b-2 border-edge pb-1">
          <h2 className="mr-auto font-serif text-xl font-semibold break-words">{title}</h2>
          {onBeyond && arranges && (
            <label className="flex items-center gap-2 text-sm text-quiet">
              <SavedCheck value={beyond} disabled={false} onSave={onBeyond} />
              for whoever has time left
            </label>
          )}
          <p className="text-[15px] tabular-nums">
            <b className={`font-semibold ${over > 0 ? "text-warn" : ""}`}>
              {sayMinutes(minutesIn(load))}
              {minutes !== null && ` of ${sayMinutes(minutes)}`}
            </b>
            {beyond && <span className="text-quiet"> · not counted</span>}
            {minutes !== null && over !== 0 && <span className="text-quiet"> · {sayOver(over)}</span>}
          </p>
        </div>
      )}
      <ul>
        <li aria-hidden className={`${ROW} hidden text-sm text-quiet sm:grid`}>
          <span />
          <span />
          <span className="text-center">{beyond ? "" : "Must stay"}</span>
          <span>Work with it</span>
          <span className="text-right">Takes</span>
        </li>
        {items.map((item) => (
          <li key={item.id} className={`${ROW} grid border-b border-line py-1`}>
            <KindMark kind={item.kind} />
            <span className="text-[15px] break-words max-sm:col-span-3">{item.title}</span>
            {!beyond && !item.between ? (
              <label className="flex h-10 items-center gap-2 text-sm sm:justify-center max-sm:col-start-2">
                <SavedCheck
                  label={`Must stay: ${item.title}`}
                  value={item.mustStay}
                  disabled={!arranges}
                  onSave={(mustStay) => call("placements.edit", { placement: item.id, mustStay }).then(again)}
                />
                <span className="sm:hidden">must stay</span>
              </label>
            ) : (
              <span className="max-sm:col-start-2" />
            )}
            <div className="flex items-center gap-2">
              <span aria-hidden className="text-sm text-quiet sm:hidden">
                and work
              </span>
              <MinutesField
                label={`Minutes to work with it: ${item.title}`}
                short="min"
                value={item.taskMinutes}
                disabled={!arranges}
                onSave={(minutes) =>
                  set(call("placements.edit", { placement: item.id, taskMinutes: minutes || null }))
                }
              />
            </div>
            <span className="text-right text-[15px] tabular-nums">{sayLoad(item.load)}</span>
          </li>
        ))}
        {items.length === 0 && <li className="py-2 text-[15px] text-quiet">Nothing stands here.</li>}
      </ul>
    </section>
  );
}
