"use client";

import { useInfiniteQuery } from "@tanstack/react-query";
import { byDay } from "@/core/history/by-day";
import type { Answer } from "@/services/registry";
import { sayEvent } from "../desk/say-event";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask } from "../talk/call";
import { useLive } from "../talk/use-live";
import { dayIn, timeIn, useZone } from "./zone";

type Shown = Answer<"collections.happened">;
type Event = Shown["events"][number];
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collection: Answer<"collections.read">["collection"];
  first: Shown;
  /** What came later is new to oneself; null: one was never here. */
  since: string | null;
};

/** What happened in a collection, by day and person, newest first; what came since one was here stands apart. */
export function HistoryPage({ me, teams, team, collection, first, since }: Props) {
  const { id, title } = collection;
  const zone = useZone();
  const { data, fetchNextPage, isFetchingNextPage, hasNextPage, refetch } = useInfiniteQuery({
    queryKey: ["happened", id],
    queryFn: ({ pageParam }) =>
      ask("collections.happened", { collection: id, ...(pageParam && { before: pageParam }) }),
    initialPageParam: "",
    getNextPageParam: (last: Shown) => (last.more ? last.events.at(-1)!.id : undefined),
    initialData: { pages: [first], pageParams: [""] },
  });
  useLive(team.id, {
    onEvents: (events) =>
      events.some((event) => event.collection === id && event.verb !== "presence") && void refetch(),
    onReload: () => void refetch(),
  });
  const isNew = (event: Event) => since !== null && event.written > since && event.actor !== me.id;
  const events = data.pages.flatMap((page) => page.events);
  const days = byDay(events, (at) => dayIn(at, zone), isNew);
  const fresh = events.filter(isNew).length;
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-3xl flex-col gap-6 pt-6">
          <header>
            <Crumb href={`/bench/${id}`}>{title}</Crumb>
            <h1 className="font-serif text-3xl font-semibold">What happened</h1>
            {since !== null && (
              <p className="mt-1 text-quiet">
                {fresh === 0
                  ? "Nothing by others since you were here."
                  : "What others did since you were here has a bar beside it."}
              </p>
            )}
          </header>
          {days.length === 0 && (
            <Empty title="Nothing was noted yet">
              <p>What is brought in, moved and written here will stand in this list.</p>
            </Empty>
          )}
          {days.map(({ day, deeds }) => (
            <section key={day} aria-label={day}>
              <h2 className="border-b border-line pb-1.5 font-serif text-xl font-semibold">{day}</h2>
              <ol>
                {deeds.map(({ event, others }) => (
                  <li
                    key={event.id}
                    className={`flex gap-x-4 border-b border-line py-2.5 pl-3 ${isNew(event) ? "border-l-[3px] border-l-accent" : "border-l-[3px] border-l-transparent"}`}
                  >
                    <div className="min-w-0 flex-1">
                      {isNew(event) && <span className="sr-only">Since you were here: </span>}
                      {sayEvent(event, me.id, countOf([event, ...others]), true)}
                      <Names of={[event, ...others]} />
                    </div>
                    <span className="flex items-start gap-3 text-sm whitespace-nowrap max-sm:flex-col-reverse max-sm:items-end max-sm:gap-0">
                      <Link
                        href={`/bench/${id}/history/${event.id}`}
                        aria-label={`As it was on ${day} at ${timeIn(event.at, zone)}`}
                        className="text-accent hover:underline"
                      >
                        As it was
                      </Link>
                      <time dateTime={event.at} className="text-quiet tabular-nums">
                        {timeIn(event.at, zone)}
                      </time>
                    </span>
                  </li>
                ))}
              </ol>
            </section>
          ))}
          {hasNextPage && (
            <Button className="self-start" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
              Earlier
            </Button>
          )}
        </div>
      </main>
    </Frame>
  );
}

/** How many things it was done to: to one several times is one. */
const countOf = (of: Event[]) => new Set(of.map((one) => one.subject)).size;

/** So many names are said. */
const MOST_NAMES = 5;

/** What it was done to, each once. */
function Names({ of }: { of: Event[] }) {
  const names = [...new Set(of.map((one) => one.item).filter((one) => one !== null))];
  if (!names.length) return null;
  const left = names.length - MOST_NAMES;
  return (
    <p className="mt-0.5 break-words text-quiet">
      {names.slice(0, MOST_NAMES).join(" · ")}
      {left > 0 && ` and ${left} more`}
    </p>
  );
}
