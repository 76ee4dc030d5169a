"use client";

import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { LOG_KINDS, type Logged, type LogKind } from "@/core/log/kinds";
import type { Answer } from "@/services/registry";
import { sayDeed } from "../desk/say-event";
import { Button, buttonLook } from "../parts/button";
import { Choice } from "../parts/field";
import { Link } from "../parts/link";
import { ask } from "../talk/call";
import { Moment } from "./moment";

type Lines = Answer<"log.read">;
type Line = Lines["lines"][number];
type Props = {
  team: string;
  first: Lines;
  members: { id: string; name: string }[];
  /** For how many days it is kept. */
  kept: number;
};

const KIND_WORDS: Record<LogKind, string> = {
  people: "People and rights",
  sharing: "Who can see what",
  taken: "Taken along as files",
  deleted: "Deleted and put back",
  changes: "Other changes",
};
const DEEDS: Record<Logged, string> = {
  "signed-in": "signed in",
  invited: "invited",
  "invitation-ended": "ended an invitation",
  "taken-out": "took along",
  "archive-taken": "took the archive of the team",
};

type Wish = { person: string; kind: string; from: string; to: string };
const ALL: Wish = { person: "", kind: "", from: "", to: "" };

/** What is asked for, without what is left open. */
const asked = (wish: Wish) => Object.fromEntries(Object.entries(wish).filter(([, value]) => value !== ""));

/** Who did what, and when; narrowed by person, kind and day, and saved as a table. */
export function Log({ team, first, members, kept }: Props) {
  const [wish, setWish] = useState(ALL);
  const all = wish === ALL;
  const { data, fetchNextPage, hasNextPage, isFetching } = useInfiniteQuery({
    queryKey: ["log", team, wish],
    queryFn: ({ pageParam }) => ask("log.read", { team, ...asked(wish), ...pageParam }),
    initialPageParam: {} as { at?: string; line?: string },
    getNextPageParam: ({ next }) => next ?? undefined,
    ...(all && { initialData: { pages: [first], pageParams: [{}] } }),
    placeholderData: (before) => before,
  });
  const lines = data?.pages.flatMap((page) => page.lines) ?? [];
  const set = (change: Partial<Wish>) => setWish({ ...wish, ...change });
  const day = (label: string, what: "from" | "to") => (
    <label className="flex flex-col gap-1 text-sm font-semibold">
      {label}
      <input
        type="date"
        value={wish[what]}
        onChange={(event) => set({ [what]: event.target.value })}
        className="h-10 w-40 rounded-md border border-edge bg-sheet px-2.5 text-base font-normal"
      />
    </label>
  );
  return (
    <section aria-labelledby="log" className="flex flex-col gap-4">
      <div>
        <h2 id="log" className="border-b border-line pb-2 font-serif text-xl font-semibold">
          Who did what
        </h2>
        <p className="mt-2 text-[15px] text-quiet">
          Of the last {kept} days. Only owners see it. What somebody has for themselves is not in it.
        </p>
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Who"
          value={wish.person}
          options={[["", "Everybody"], ...members.map((one) => [one.id, one.name] as const)]}
          onChange={(event) => set({ person: event.target.value })}
          className="w-48"
        />
        <Choice
          label="What"
          value={wish.kind}
          options={[["", "Everything"], ...LOG_KINDS.map((kind) => [kind, KIND_WORDS[kind]] as const)]}
          onChange={(event) => set({ kind: event.target.value })}
          className="w-52"
        />
        {day("From", "from")}
        {day("To", "to")}
        <a
          href={`/api/log/${team}?${new URLSearchParams(asked(wish)).toString()}`}
          download
          className={`${buttonLook("line")} ml-auto`}
        >
          Save as CSV
        </a>
      </div>
      {lines.length === 0 ? (
        <p className="text-quiet" role="status">
          {isFetching ? "Looking …" : "Nothing of this kind in these days."}
        </p>
      ) : (
        <ol aria-label="Log" className="border-t border-line">
          {lines.map((line) => (
            <LineOf key={line.id} line={line} />
          ))}
        </ol>
      )}
      {hasNextPage && (
        <Button className="self-start" disabled={isFetching} onClick={() => void fetchNextPage()}>
          What was before
        </Button>
      )}
    </section>
  );
}

function LineOf({ line }: { line: Line }) {
  const { at, name, person, what, collection, title, about, subject } = line;
  const self = person !== null && person === subject;
  return (
    <li className="grid gap-x-4 border-b border-line py-2 text-[15px] sm:grid-cols-[9.5rem_minmax(0,1fr)]">
      <span className="text-quiet tabular-nums">
        <Moment at={at} />
      </span>
      <span className="min-w-0 break-words">
        <b className="font-semibold">{name ?? "Somebody who left"}</b>{" "}
        {DEEDS[what as Logged] ?? sayDeed(what, self)}
        {about && !self && <span className="text-quiet"> {about}</span>}
        {collection && title && (
          <>
            {" "}
            <Link href={`/bench/${collection}`} className="font-semibold hover:underline">
              {title}
            </Link>
          </>
        )}
      </span>
    </li>
  );
}
