"use client";

import { useState } from "react";
import { saidInGroups } from "@/core/share/short-code";
import { Button, buttonLook } from "../parts/button";
import { Link } from "../parts/link";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLiveAnswer } from "../talk/use-live-answer";
import { Qr } from "./qr";
import { titleOf } from "./state-words";
import type { Shown } from "./shown";

type Props = { team: string; first: Shown; home: string };

/** For the projector: the code, and what a class suggests as it arrives. What was declined is not shown. */
export function Wall({ team, first, home }: Props) {
  const { id, title } = first.collection;
  const [{ page, waiting, decided }, again] = useLiveAnswer(
    team,
    ["suggestions", id],
    () => ask("suggestions.read", { collection: id }),
    first,
    "suggestions",
  );
  const [byName, setByName] = useState(false);
  if (!page) return null;
  const all = [...waiting, ...decided.filter(({ state }) => state === "accepted")];
  const rows = byName
    ? all.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
    : all.toSorted((a, b) => (a.createdAt < b.createdAt ? 1 : -1));
  const turn = () =>
    call("suggestions.set-page", {
      collection: id,
      ...(page.takes ? { open: false } : { open: true, until: null }),
    })
      .then(again)
      .catch(sayFailure);
  return (
    <main
      id="main"
      className="flex min-h-dvh flex-col gap-6 p-[3vmin] text-[clamp(1rem,1.6vw,1.75rem)] lg:h-dvh lg:flex-row lg:gap-[4vw]"
    >
      <div className="flex flex-col gap-4 lg:w-[32%]">
        <h1 className="font-serif text-[clamp(1.5rem,3vw,3.25rem)] leading-tight font-semibold break-words">
          {title}
        </h1>
        {page.ask && <p className="whitespace-pre-line">{page.ask}</p>}
        {page.takes ? (
          <div>
            <Qr address={`${home}/s/${page.link}`} className="mb-3 w-[min(38vh,24vw)] max-lg:w-40" />
            <p>{home.replace(/^https?:\/\//, "")}/go</p>
            <output
              aria-label="Short code"
              className="font-mono text-[clamp(2rem,5vw,6rem)] leading-tight font-bold whitespace-nowrap"
            >
              {saidInGroups(page.code)}
            </output>
          </div>
        ) : (
          <p className="font-semibold">Closed: nothing more is taken.</p>
        )}
        <div className="mt-auto flex flex-wrap gap-2">
          <Button small onClick={() => void turn()}>
            {page.takes ? "Stop adding" : "Go on adding"}
          </Button>
          <Button small aria-pressed={byName} onClick={() => setByName(!byName)}>
            {byName ? "As they came" : "By name"}
          </Button>
          <Link href={`/team/${team}/suggestions/${id}`} className={buttonLook("quiet", true)}>
            Back
          </Link>
        </div>
      </div>
      <section aria-label="What came" className="min-h-0 flex-1 overflow-y-auto" tabIndex={0}>
        <p className="border-b border-line pb-2 text-quiet" role="status">
          {rows.length === 0
            ? "Nothing yet"
            : rows.length === 1
              ? "1 suggestion"
              : `${rows.length} suggestions`}
        </p>
        <ul>
          {rows.map((one) => (
            <li key={one.id} className="flex gap-[1.5vw] border-b border-line py-[1.2vmin]">
              <span className="w-[28%] shrink-0 font-semibold break-words">{one.name}</span>
              <span className="line-clamp-2 min-w-0 break-words">{titleOf(one)}</span>
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}
