"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import Link from "next/link";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { PersonMark } from "../parts/person-mark";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sayAgo } from "../talk/say-time";

type Notices = Answer<"notices.read">;
type One = Notices["notices"][number];

/** What is addressed to oneself in any team: what was not looked at yet, and behind a press what was, lately. */
export function Addressed({ first }: { first: Notices }) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["notices"],
    queryFn: () => ask("notices.read", {}),
    initialData: first,
  });
  const fresh = data.notices.filter((one) => one.seenAt === null);
  const seen = data.notices.filter((one) => one.seenAt !== null);
  if (!data.notices.length) return null;
  const lookedAtAll = () => {
    void call("notices.look", {})
      .then(() => {
        void client.invalidateQueries({ queryKey: ["notices"] });
        void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[2] === "waiting" });
      })
      .catch(sayFailure);
  };
  return (
    <section aria-labelledby="addressed">
      <div className="flex flex-wrap items-center gap-3 border-b border-line pb-2">
        <h2 id="addressed" className="mr-auto font-serif text-2xl font-semibold">
          Addressed to you
        </h2>
        {fresh.length > 1 && (
          <Button small look="quiet" onClick={lookedAtAll}>
            I have seen them all
          </Button>
        )}
      </div>
      {fresh.length > 0 ? (
        <List all={fresh} />
      ) : (
        <p className="py-3 text-quiet">Nothing you have not looked at.</p>
      )}
      {seen.length > 0 && (
        <details className="mt-2">
          <summary className="cursor-pointer text-[15px] text-quiet">Looked at lately</summary>
          <List all={seen} />
        </details>
      )}
    </section>
  );
}

const List = ({ all }: { all: readonly One[] }) => (
  <ul>
    {all.map((one) => (
      <li key={one.id} className="border-b border-line">
        <Link
          href={`/bench/${one.collection}?said=${one.comment}`}
          className={`flex gap-3 px-2 py-3 hover:bg-wash ${one.seenAt === null ? "shadow-[inset_3px_0_0_var(--accent)]" : ""}`}
        >
          <PersonMark person={{ ...one.by, name: one.by.name ?? "?" }} className="mt-0.5 size-8" />
          <span className="min-w-0 flex-1">
            <span className="block text-[15px] text-quiet">
              <b className="font-semibold text-ink">{one.by.name ?? "Somebody who left"}</b>{" "}
              {one.kind === "mention" ? "means you in" : "answered in"}{" "}
              <b className="font-semibold text-ink">{one.title}</b>
              {one.about && `, at “${one.about}”`}
            </span>
            <span className="line-clamp-2 break-words">{one.words}</span>
            <span className="block text-sm text-quiet" suppressHydrationWarning>
              {sayAgo(one.createdAt)}
            </span>
          </span>
        </Link>
      </li>
    ))}
  </ul>
);
