"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { sayInside } from "@/core/list/course";
import { sayMinutes } from "@/core/text/minutes";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { useGather } from "../gather/gather";
import { GatherButtons } from "../gather/gather-buttons";
import { trayOf } from "../gather/into-tray";
import { Button, buttonLook } from "../parts/button";
import { Link } from "../parts/link";
import { Strip } from "../parts/strip";
import { Empty } from "../parts/empty";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask } from "../talk/call";
import { sayAgo, saySince } from "../talk/say-time";
import { useLive } from "../talk/use-live";
import { Addressed } from "./addressed";
import { LinksLine } from "./links-line";
import { FirstHour } from "./first-hour";
import { LetInto } from "./let-into";
import { SampleLine } from "./sample-line";
import { sayEvent } from "./say-event";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  covers: Answer<"collections.covers">;
  tray: Answer<"tray.read">;
  recent: Answer<"events.recent">;
  letInto: Answer<"guests.let-into">["collections"];
  notices: Answer<"notices.read">;
  waiting: Answer<"teams.waiting">;
};

/** What waits, what happened, and the team's collections. */
export function Desk({ me, teams, team, letInto, ...initial }: Props) {
  const client = useQueryClient();
  const covers = useQuery({
    queryKey: ["covers", team.id],
    queryFn: () => ask("collections.covers", { team: team.id }),
    initialData: initial.covers,
  });
  const tray = useQuery({
    queryKey: ["tray", team.id],
    queryFn: () => ask("tray.read", { team: team.id }),
    initialData: initial.tray,
  });
  const recent = useQuery({
    queryKey: ["recent", team.id],
    queryFn: () => ask("events.recent", { team: team.id }),
    initialData: initial.recent,
  });
  const refresh = () => {
    for (const key of ["covers", "tray", "recent", "tree"])
      void client.invalidateQueries({ queryKey: [key, team.id] });
    void client.invalidateQueries({ queryKey: ["notices"] });
  };
  useLive(team.id, { onEvents: refresh, onReload: refresh });
  const waiting = tray.data;
  const arranges = may(team.role, "arrange");
  // What one changed last is what one is working on.
  const at =
    recent.data.events.find((event) => event.actor === me.id && event.collection)?.collection ?? null;
  if (covers.data.total === 0 && waiting.count === 0)
    return (
      <Frame me={me} teams={teams} team={team}>
        <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16 sm:px-10">
          <div className="mx-auto max-w-[1200px] pt-8">
            <Addressed first={initial.notices} me={me.id} />
            <LetInto collections={letInto} />
            <FirstHour team={team} />
          </div>
        </main>
      </Frame>
    );
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16 sm:px-10">
        <h1 className="sr-only">Desk of {team.name}</h1>
        <div className="mx-auto grid max-w-[1200px] gap-x-16 gap-y-8 pt-4 lg:grid-cols-[minmax(0,1fr)_320px]">
          <div className="flex min-w-0 flex-col gap-8">
            <Addressed first={initial.notices} me={me.id} />
            {waiting.count > 0 ? (
              <section
                aria-label="Tray"
                className="flex flex-wrap items-center gap-x-5 gap-y-3 rounded-md border border-line bg-sheet px-5 py-5"
              >
                <span className="font-serif text-4xl font-semibold text-accent">{waiting.count}</span>
                <p className="min-w-52 flex-1">
                  <span className="block font-semibold">
                    {waiting.count === 1 ? "thing waits in your Tray" : "things wait in your Tray"}
                  </span>
                  <span className="block text-[15px] text-quiet">
                    {waiting.minutes > 0 && `${sayMinutes(waiting.minutes)} altogether. `}
                    {waiting.oldest &&
                      saySince(waiting.oldest) &&
                      `The oldest has waited ${saySince(waiting.oldest)}.`}
                  </span>
                </p>
                <Link href={trayOf(team.id)} className={buttonLook()}>
                  Open the Tray
                </Link>
              </section>
            ) : (
              <p className="text-quiet">Your Tray is empty: nothing waits.</p>
            )}
            <LinksLine team={team.id} first={initial.waiting} />
            <section>
              <div className="mb-3 flex flex-wrap items-center gap-3">
                <h2 className="mr-auto font-serif text-2xl font-semibold">Collections</h2>
                <DeskButtons />
              </div>
              {arranges && <SampleLine team={team.id} onGone={refresh} />}
              {covers.data.collections.length === 0 ? (
                <Empty title="No collections yet">
                  <p>
                    A collection holds links, videos and documents in an order that makes a point. Name the
                    first one; names are cheap and can change.
                  </p>
                  <GatherButtons ways={["make"]} />
                </Empty>
              ) : (
                <>
                  <Explained />
                  <ul className="border-t border-line">
                    {covers.data.collections.map((one) => (
                      <li
                        key={one.id}
                        className="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-3 border-b border-line py-4 sm:grid-cols-[220px_minmax(0,1fr)]"
                      >
                        <div className="min-w-0">
                          <Link
                            href={`/bench/${one.id}`}
                            className="font-serif text-lg leading-snug font-semibold break-words hover:underline"
                          >
                            {one.title}
                          </Link>
                          {about(one).map((line) => (
                            <p key={line} className="text-sm text-quiet" suppressHydrationWarning>
                              {line}
                            </p>
                          ))}
                        </div>
                        <Strip stretches={one.stretches} whole={one} at={at} />
                      </li>
                    ))}
                  </ul>
                </>
              )}
              {covers.data.total > covers.data.collections.length && (
                <p className="mt-6 text-quiet">
                  And {covers.data.total - covers.data.collections.length} more: press / and type a few
                  letters.
                </p>
              )}
            </section>
          </div>
          <section aria-label="What happened">
            <LetInto collections={letInto} />
            <h2 className="border-b border-line pb-3 font-serif text-2xl font-semibold">Lately</h2>
            <ol>
              {mergeRuns(recent.data.events).map(({ event, times }) => (
                <li key={event.id} className="border-b border-line py-3 text-[15px]">
                  {sayEvent(event, me.id, times)}
                  <span className="block text-sm text-quiet" suppressHydrationWarning>
                    {sayAgo(event.at)}
                  </span>
                </li>
              ))}
            </ol>
            {recent.data.events.length === 0 && <p className="py-4 text-quiet">Nothing has happened yet.</p>}
          </section>
        </div>
      </main>
    </Frame>
  );
}

/** The two ways to begin something, beside the collections there are. */
function DeskButtons() {
  const { file, make } = useGather();
  return (
    <>
      {file && (
        <Button look="quiet" onClick={file}>
          Bring in a file of links
        </Button>
      )}
      {make && <Button onClick={make}>New collection</Button>}
    </>
  );
}

type CoverRow = Answer<"collections.covers">["collections"][number];

/** What is said beside the cloth: what stands inside and how long it is, and who sees it. */
function about(one: CoverRow): string[] {
  const items = one.stretches.reduce((sum, part) => sum + part.items, 0);
  const minutes = one.stretches.reduce((sum, part) => sum + part.minutes, 0);
  const holds = [...sayInside(one.inside), `${items} ${items === 1 ? "item" : "items"}`];
  return [
    [holds.join(", "), minutes > 0 && sayMinutes(minutes)].filter(Boolean).join(" · "),
    one.audience === "team"
      ? `changed ${sayAgo(one.changed)}`
      : one.audience === "public"
        ? "public"
        : "whoever has the address",
  ];
}

const TOLD = "hobbin.cloth-told";

/** What the cloth means, the first time somebody sees it. */
function Explained() {
  const [told, setTold] = useState(true);
  useEffect(() => {
    const timer = setTimeout(() => setTold(localStorage.getItem(TOLD) !== null), 0);
    return () => clearTimeout(timer);
  }, []);
  if (told) return null;
  const done = () => {
    setTold(true);
    try {
      localStorage.setItem(TOLD, "1");
    } catch {
      // It is told once more next time.
    }
  };
  return (
    <p className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-1 rounded-md bg-wash px-3 py-2 text-[15px]">
      Each stripe is an item, as wide as its minutes; its colour is its kind.
      <Button small look="quiet" onClick={done}>
        Got it
      </Button>
    </p>
  );
}

type EventRow = Answer<"events.recent">["events"][number];

const NEAR = 4;

/** The same thing done by the same person in the same place, a little apart at most, is told once. */
function mergeRuns(events: EventRow[]): { event: EventRow; times: number }[] {
  const runs: { event: EventRow; times: number }[] = [];
  for (const event of events) {
    // What was brought in counts wherever it went.
    const place = (one: EventRow) => (one.verb.startsWith("resources.") ? null : one.collection);
    const same = runs
      .slice(-NEAR)
      .find(
        (run) =>
          run.event.verb === event.verb &&
          run.event.actor === event.actor &&
          place(run.event) === place(event),
      );
    if (same) same.times++;
    else runs.push({ event, times: 1 });
  }
  return runs.slice(0, 12);
}
