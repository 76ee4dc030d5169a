"use client";

import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Field } from "../parts/field";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask } from "../talk/call";
import { FollowThis } from "../followed/follow-button";
import { ListedCard } from "./listed-card";
import { ShelfBar } from "./shelf-bar";
import { type Order, useWish, type Wish, type Wishing, wishLink } from "./use-wish";

type Newest = Answer<"shelves.newest">;
type Found = Answer<"shelves.find">;
type Kinds = Answer<"shelves.subjects">;
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Newest; kinds: Kinds };

/** What teams have made public for everybody: the newest, or what is found by words. */
export function Shelves({ me, teams, team, first, kinds }: Props) {
  const wishing = useWish();
  const { wish, order } = wishing;
  const [typed, setTyped] = useState("");
  const words = useDeferredValue(typed.trim());
  const field = useRef<HTMLInputElement>(null);
  // What is pressed goes away with it: who pressed it is in the field then.
  const mean = (meant: string) => {
    setTyped(meant);
    field.current!.focus();
  };
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-4 pt-6">
          <header>
            <h1 className="font-serif text-3xl font-semibold">Shelves</h1>
            <p className="mt-1 text-quiet">What all teams here have made public.</p>
          </header>
          <Field
            ref={field}
            label="Find in what is public"
            type="search"
            value={typed}
            maxLength={500}
            placeholder="Words of a collection, or of what stands in it"
            hideLabel
            onChange={(event) => setTyped(event.target.value)}
          />
          {(first.collections.length > 0 || !isNothing(wish)) && <ShelfBar wishing={wishing} kinds={kinds} />}
          {words ? (
            <FollowThis team={team.id} kind="search" what={words} />
          ) : (
            wish.tag && <FollowThis team={team.id} kind="subject" what={wish.tag} />
          )}
          {words ? (
            <FoundHere team={team} words={words} wish={wish} onMeant={mean} />
          ) : (
            <>
              <Orders wishing={wishing} />
              {order === "newest" ? <Newly {...{ team, wish, first }} /> : <Often {...{ team, wish }} />}
            </>
          )}
        </div>
      </main>
    </Frame>
  );
}

const ORDERS = { newest: "Newly public", often: "Often taken up" } as const;

function Orders({ wishing }: { wishing: Wishing }) {
  return (
    <nav aria-label="Which first" className="flex gap-5 border-b border-line">
      {(Object.keys(ORDERS) as Order[]).map((one) => (
        <a
          key={one}
          {...wishLink(wishing, { by: one })}
          aria-current={wishing.order === one || undefined}
          className="flex h-10 items-center border-b-[3px] border-transparent text-[15px] text-quiet hover:text-ink aria-[current]:border-accent aria-[current]:font-semibold aria-[current]:text-ink"
        >
          {ORDERS[one]}
        </a>
      ))}
    </nav>
  );
}

type ListProps = { team: TeamRow; wish: Wish };

/** What was made public last. */
function Newly({ team, wish, first }: ListProps & { first: Newest }) {
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["shelves", "newest", wish],
    queryFn: ({ pageParam }): Promise<Newest> => ask("shelves.newest", { ...wish, ...pageParam }),
    initialPageParam: {} as { since?: string; after?: string },
    getNextPageParam: ({ next }) => next ?? undefined,
    ...(isNothing(wish) && { initialData: { pages: [first], pageParams: [{}] } }),
    placeholderData: keepPreviousData,
    // Who comes back to it from a search sees what came meanwhile.
    staleTime: 5_000,
  });
  const all = data?.pages.flatMap((page) => page.collections) ?? [];
  if (data && !all.length) return isNothing(wish) ? <NothingYet team={team} /> : <NoneSo />;
  return (
    <section aria-labelledby="newly">
      <h2 id="newly" className="sr-only">
        Newly public
      </h2>
      <ul>
        {all.map((one) => (
          <ListedCard key={one.id} one={one} team={team} />
        ))}
      </ul>
      {hasNextPage && (
        <Button className="mt-4" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          What was before
        </Button>
      )}
    </section>
  );
}

/** What other teams have copied with credit, show, or follow. */
function Often({ team, wish }: ListProps) {
  const { data } = useQuery({
    queryKey: ["shelves", "often", wish],
    queryFn: () => ask("shelves.often", wish),
    placeholderData: keepPreviousData,
  });
  return (
    <section aria-labelledby="often">
      <h2 id="often" className="sr-only">
        Often taken up
      </h2>
      <p className="text-[15px] text-quiet">
        Each team that copied from it with credit, shows it in one of its own, or follows it counts once, and
        half as much for every 90 days since. Readers are not counted.
      </p>
      {data?.collections.length === 0 && <NoneSo />}
      <ul>
        {data?.collections.map((one) => (
          <ListedCard key={one.id} one={one} team={team} takenUpBy={one.takenUpBy} />
        ))}
      </ul>
    </section>
  );
}

const isNothing = (wish: Wish) => Object.values(wish).every((value) => value === undefined);

const NoneSo = () => (
  <Empty title="Nothing public is like that">
    <p>Choose less of it above. What has changed a moment ago stands on its shelf a little later.</p>
  </Empty>
);

const NothingYet = ({ team }: { team: TeamRow }) => (
  <Empty title="Nothing is public here yet">
    <p>
      A collection that somebody shares with everybody stands here, for all teams to find and to read. Yours
      can be the first.
    </p>
    <Link href={`/team/${team.id}/collections`} className={buttonLook("accent")}>
      Choose a collection
    </Link>
  </Empty>
);

/** Where words stand in what is public. */
function FoundHere({
  team,
  words,
  wish,
  onMeant,
}: ListProps & {
  words: string;
  onMeant: (words: string) => void;
}) {
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["shelves", "found", words, wish],
    queryFn: ({ pageParam }): Promise<Found> => ask("shelves.find", { query: words, ...wish, ...pageParam }),
    initialPageParam: {} as { after?: string; score?: number },
    getNextPageParam: ({ next }) => next ?? undefined,
    placeholderData: keepPreviousData,
  });
  const all = data?.pages.flatMap((page) => page.results) ?? [];
  const meant = data?.pages[0]?.meant;
  return (
    <section aria-labelledby="found">
      <h2 id="found" className="sr-only">
        Found
      </h2>
      <p role="status" className="text-[15px] text-quiet">
        {!data
          ? "Looking …"
          : all.length === 0
            ? "In nothing that is public do all of these words stand."
            : `${all.length}${hasNextPage ? " and more" : ""} ${all.length === 1 ? "collection" : "collections"}`}
        {meant && (
          <>
            {" "}
            <button
              type="button"
              className="min-h-6 text-accent hover:underline"
              onClick={() => onMeant(meant)}
            >
              Did you mean “{meant}”?
            </button>
          </>
        )}
      </p>
      <ul>
        {all.map((one) => (
          <ListedCard key={one.id} one={one} team={team} marks={one.marks} passages={one.passages} />
        ))}
      </ul>
      {hasNextPage && (
        <Button className="mt-4" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          More of them
        </Button>
      )}
    </section>
  );
}
