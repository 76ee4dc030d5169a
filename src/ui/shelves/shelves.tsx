"use client";

import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import Link from "next/link";
import { useDeferredValue, useRef, useState } from "react";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Field } from "../parts/field";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { ask } from "../talk/call";
import { ListedCard } from "./listed-card";

type Newest = Answer<"shelves.newest">;
type Found = Answer<"shelves.find">;
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Newest };

/** What teams have made public for everybody: the newest, or what is found by words. */
export function Shelves({ me, teams, team, first }: Props) {
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
          {words ? <FoundHere team={team} words={words} onMeant={mean} /> : <Newly {...{ team, first }} />}
        </div>
      </main>
    </Frame>
  );
}

/** What was made public last. */
function Newly({ team, first }: { team: TeamRow; first: Newest }) {
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["shelves", "newest"],
    queryFn: ({ pageParam }) => ask("shelves.newest", pageParam),
    initialPageParam: {} as { since?: string; after?: string },
    getNextPageParam: ({ next }) => next ?? undefined,
    initialData: { pages: [first], pageParams: [{}] },
    // Who comes back to it from a search sees what came meanwhile.
    staleTime: 5_000,
  });
  const all = data.pages.flatMap((page) => page.collections);
  if (!all.length)
    return (
      <Empty title="Nothing is public here yet">
        <p>
          A collection that somebody shares with everybody stands here, for all teams to find and to read.
          Yours can be the first.
        </p>
        <Link href={`/team/${team.id}/collections`} className={buttonLook("accent")}>
          Choose a collection
        </Link>
      </Empty>
    );
  return (
    <section aria-labelledby="newly">
      <h2 id="newly" className="text-base font-semibold">
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

/** Where words stand in what is public. */
function FoundHere({
  team,
  words,
  onMeant,
}: {
  team: TeamRow;
  words: string;
  onMeant: (words: string) => void;
}) {
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ["shelves", "found", words],
    queryFn: ({ pageParam }): Promise<Found> => ask("shelves.find", { query: words, ...pageParam }),
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
