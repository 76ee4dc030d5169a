"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { may } from "@/core/policy/abilities";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Choice } from "../parts/field";
import { Link } from "../parts/link";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { toast } from "../talk/toast";
import { useLookedAt } from "../talk/use-looked-at";
import { useLiveAnswer } from "../talk/use-live-answer";
import { Blocked } from "./blocked";
import { Decided } from "./decided";
import type { Shown, Waiting } from "./shown";
import { StillLooking } from "./still-looking";
import { SuggestionRow } from "./suggestion-row";
import { Where } from "./where";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  first: Shown;
  home: string;
  /** What an outcome still needs; empty: nothing in particular. */ wanted: string;
};

/** The end of the collection, wherever that is. */
const END = "end";
/** So many are accepted at once. */
const AT_ONCE = 200;

/** What was suggested for a collection: taken or not, with a word to whoever did; and where it is suggested. */
export function Suggestions({ me, teams, team, first, home, wanted }: Props) {
  const { id, title } = first.collection;
  const [shown, again] = useLiveAnswer(
    team.id,
    ["suggestions", id],
    () => ask("suggestions.read", { collection: id }),
    first,
    "suggestions",
  );
  useUndo(team.id, again);
  useLookedAt({ subject: id });
  // The number at the place goes with what waits here.
  const client = useQueryClient();
  useEffect(() => {
    void client.invalidateQueries({ queryKey: ["tray", team.id, "waiting"] });
  }, [client, team.id, shown.count]);
  const [section, setSection] = useState(END);
  const [thanks, setThanks] = useState(true);
  const [begun, setBegun] = useState(false);
  const [byName, setByName] = useState(false);
  // What was decided here is gone at once, before the answer.
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const there = shown.waiting.filter((one) => !gone.has(one.id));
  const waiting = byName
    ? there.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
    : there;
  const count = Math.max(waiting.length, shown.count - gone.size);
  const atOnce = Math.min(waiting.length, AT_ONCE);
  const hide = (ids: string[], on: boolean) =>
    setGone((now) => new Set(on ? [...now, ...ids] : [...now].filter((one) => !ids.includes(one))));
  const decide = (ones: Waiting[], accept: boolean, word = "") => {
    const ids = ones.slice(0, AT_ONCE).map((one) => one.id);
    const what = ids.length === 1 ? ones[0]!.name : `${ids.length} suggestions`;
    hide(ids, true);
    const into = section === END ? {} : { section };
    const said = (words: string, entry: string | null) => {
      // Once it is read that they wait no more, nothing has to be hidden; and undo, however it is asked for, shows them.
      void client.refetchQueries({ queryKey: ["suggestions", id] }).finally(() => hide(ids, false));
      sayDone(words, team.id, entry, again);
    };
    const done = accept
      ? call("suggestions.accept", { collection: id, suggestions: ids, thanks, word, ...into }).then(
          ({ entry, placed }) =>
            said(placed ? `Accepted: ${what}` : `Accepted: ${what}. It stands there already.`, entry),
        )
      : call("suggestions.decline", { collection: id, suggestions: ids, word }).then(({ entry }) =>
          said(`Declined: ${what}`, entry),
        );
    done.catch((error: unknown) => (hide(ids, false), sayFailure(error)));
  };
  const block = (one: Waiting) =>
    void call("suggestions.block", { suggestion: one.id })
      .then(() => {
        again();
        toast(`Nothing more is taken from ${one.name}. What waits can be declined.`);
      })
      .catch(sayFailure);
  const begin = () =>
    call("suggestions.set-page", { collection: id, open: true })
      .then(() => (setBegun(true), again()))
      .catch(sayFailure);
  const { page } = shown;
  const asking = (
    <Empty title="Nobody is asked yet">
      <p>
        Readers, a class or colleagues suggest an address, a file or their words, by a code and without an
        account. What they suggest waits here until you take it.
      </p>
      <Button look="accent" onClick={() => void begin()}>
        Ask for suggestions
      </Button>
    </Empty>
  );
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-5 pt-6">
          <header className="flex flex-wrap items-end gap-x-4 gap-y-3">
            <div className="min-w-0 flex-1 basis-80">
              <Crumb href={`/team/${team.id}/suggestions`}>Suggestions</Crumb>
              <h1 className="font-serif text-3xl font-semibold break-words">{title}</h1>
            </div>
            <div className="flex flex-wrap gap-2">
              <Link href={`/bench/${id}`} className={buttonLook("line", true)}>
                To the collection
              </Link>
              {page && (
                <Link href={`/team/${team.id}/suggestions/${id}/wall`} className={buttonLook("line", true)}>
                  On the wall
                </Link>
              )}
            </div>
          </header>
          {wanted && (
            <StillLooking collection={id} wanted={wanted} asked={page ? page.ask : null} onDone={again} />
          )}
          {page ? (
            <Where collection={id} page={page} home={home} begun={begun} again={again} />
          ) : (
            shown.count === 0 && asking
          )}
          {(page || shown.count > 0) && (
            <section className="flex flex-col gap-3">
              <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-b border-line pb-3">
                <h2 className="mr-auto font-serif text-xl font-semibold">
                  {waiting.length === 0 ? "Nothing waits" : `${count} waiting`}
                </h2>
                {waiting.length > 1 && (
                  <Button small look="quiet" aria-pressed={byName} onClick={() => setByName(!byName)}>
                    {byName ? "As they came" : "By name"}
                  </Button>
                )}
                {waiting.length > 1 && (
                  <Button small onClick={() => decide(waiting, true)}>
                    Accept {atOnce < count ? `the first ${atOnce}` : "all"}
                  </Button>
                )}
              </div>
              {waiting.some((one) => !one.betters) && (
                <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
                  <Choice
                    label="What you accept goes to"
                    value={section}
                    onChange={(event) => setSection(event.target.value)}
                    options={[
                      [END, "the end"],
                      ...shown.sections.map(
                        (one) => [one.id, one.title || "A section without a name"] as const,
                      ),
                    ]}
                    className="w-60"
                  />
                  <label className="flex min-h-10 items-center gap-2 text-[15px]">
                    <input
                      type="checkbox"
                      checked={thanks}
                      onChange={(event) => setThanks(event.target.checked)}
                      className="size-4 accent-accent"
                    />
                    with thanks: “Suggested by …” in its line
                  </label>
                </div>
              )}
              {waiting.length === 0 && page && (
                <p className="text-[15px] text-quiet">
                  {page.takes ? "What is suggested comes in here by itself." : "It is closed."}
                </p>
              )}
              <ul>
                {waiting.map((one) => (
                  <SuggestionRow
                    key={one.id}
                    one={one}
                    ofName={waiting.filter(({ name }) => name === one.name)}
                    onDecide={decide}
                    onBlock={may(team.role, "publish") ? block : undefined}
                  />
                ))}
              </ul>
            </section>
          )}
          {!page && shown.count > 0 && asking}
          <Blocked team={team.id} blocked={shown.blocked} again={again} />
          <Decided collection={id} team={team.id} decided={shown.decided} again={again} />
        </div>
      </main>
    </Frame>
  );
}
