"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { STAGES } from "@/core/handouts/stage";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Empty } from "../parts/empty";
import { Link } from "../parts/link";
import { Crumb } from "../shell/crumb";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { useLookedAt } from "../talk/use-looked-at";
import { useLiveAnswer } from "../talk/use-live-answer";
import { sayFailure } from "../talk/say-failure";
import { Collect } from "./collect";
import { Correction } from "./correction";
import { FindInSheets } from "./find-in-sheets";
import { HandoutEnd } from "./handout-end";
import { STAGE_WORDS } from "./stage-words";

type Shown = Answer<"handouts.overview">;
type Row = Shown["learners"][number];
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Shown };

/** A handout as its giver sees it: everybody side by side, how far they are and what they wrote. */
export function Overview({ me, teams, team, first }: Props) {
  const router = useRouter();
  const [correcting, setCorrecting] = useState(false);
  const [collecting, setCollecting] = useState(false);
  const [byName, setByName] = useState(false);
  const { id } = first.handout;
  const [{ handout, items, learners }, again] = useLiveAnswer(
    team.id,
    ["handout", id],
    () => ask("handouts.overview", { handout: id }),
    first,
    "groups",
  );
  useUndo(team.id, again);
  useLookedAt({ subject: id });
  const remove = () =>
    call("handouts.remove", { handout: id })
      .then(({ entry }) => {
        sayDone(`Taken away from ${handout.groupTitle}.`, team.id, entry, () => router.refresh());
        router.push(`/team/${team.id}/groups/${handout.group}`);
      })
      .catch(sayFailure);
  const shown = byName
    ? learners.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
    : learners;
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-5 pt-6">
          <header className="flex flex-wrap items-end gap-x-4 gap-y-3">
            <div className="min-w-0 flex-1 basis-80">
              <Crumb href={`/team/${team.id}/groups/${handout.group}`}>{handout.groupTitle}</Crumb>
              <h1 className="font-serif text-3xl font-semibold break-words">{handout.title}</h1>
              <p className="mt-1 text-[15px] text-quiet">
                Handed out to {handout.groupTitle} {handout.writes ? "to write in" : "to read and tick"} ·{" "}
                {items === 1 ? "1 item" : `${items} items`}
              </p>
            </div>
            <div className="flex flex-wrap gap-2">
              <Link href={`/bench/${handout.collection}`} className={buttonLook("line", true)}>
                Original
              </Link>
              <a
                href={`/api/cards/${handout.group}`}
                target="_blank"
                rel="noreferrer"
                className={buttonLook("line", true)}
              >
                Name cards
              </a>
              {handout.writes && (
                <Button small onClick={() => setCollecting(true)}>
                  Collect
                </Button>
              )}
              <Button small look="accent" onClick={() => setCorrecting(true)}>
                Send what has changed
              </Button>
            </div>
          </header>
          <p className="flex flex-wrap gap-x-5 gap-y-1" aria-label="How far they are">
            {STAGES.map((stage) => {
              const count = learners.filter((one) => one.stage === stage).length;
              return (
                <span key={stage} className={count ? "" : "text-quiet"}>
                  <span className="font-semibold tabular-nums">{count}</span>{" "}
                  {STAGE_WORDS[stage].toLowerCase()}
                </span>
              );
            })}
          </p>
          {learners.length === 0 ? (
            <Empty title="Nobody is in the group">
              <Link href={`/team/${team.id}/groups/${handout.group}`} className={buttonLook("accent")}>
                Add names
              </Link>
            </Empty>
          ) : (
            <table className="w-full border-collapse text-left">
              <thead>
                <tr className="border-b border-line text-sm text-quiet">
                  <th
                    scope="col"
                    className="py-2 pr-3 font-semibold"
                    aria-sort={byName ? "ascending" : undefined}
                  >
                    <button
                      type="button"
                      aria-pressed={byName}
                      onClick={() => setByName(!byName)}
                      className="rounded underline decoration-dotted"
                    >
                      Name
                    </button>
                  </th>
                  <th scope="col" className="py-2 pr-3 font-semibold">
                    How far
                  </th>
                  <th scope="col" className="py-2 pr-3 text-right font-semibold">
                    Ticked
                  </th>
                  {handout.writes && (
                    <>
                      <th scope="col" className="py-2 pr-3 text-right font-semibold">
                        Written
                      </th>
                      <th scope="col" className="py-2 text-right font-semibold max-sm:hidden">
                        Found
                      </th>
                    </>
                  )}
                </tr>
              </thead>
              <tbody>
                {shown.map((one) => (
                  <LearnerLine
                    key={one.id}
                    one={one}
                    items={items}
                    writes={handout.writes}
                    href={`/team/${team.id}/handouts/${id}/${one.id}`}
                  />
                ))}
              </tbody>
            </table>
          )}
          {handout.writes && learners.length > 0 && <FindInSheets handout={id} team={team.id} />}
          <HandoutEnd handout={handout} again={again} />
          <Button small look="stop" className="self-start" onClick={() => void remove()}>
            Take it away from them
          </Button>
        </div>
        {collecting && <Collect handout={handout} team={team.id} onClose={() => setCollecting(false)} />}
        {correcting && (
          <Correction
            handout={id}
            group={handout.groupTitle}
            team={team.id}
            again={again}
            onClose={() => setCorrecting(false)}
          />
        )}
      </main>
    </Frame>
  );
}

function LearnerLine({
  one,
  items,
  writes,
  href,
}: {
  one: Row;
  items: number;
  writes: boolean;
  href: string;
}) {
  const number = "py-2.5 pr-3 text-right tabular-nums";
  return (
    <tr className="border-b border-line hover:bg-wash">
      <th scope="row" className="py-2.5 pr-3 font-normal">
        <Link href={href} className="font-semibold break-words underline-offset-2 hover:underline">
          {one.name}
        </Link>
      </th>
      <td className={`py-2.5 pr-3 ${one.stage === "unopened" ? "text-quiet" : ""}`}>
        {STAGE_WORDS[one.stage]}
      </td>
      <td className={number}>
        <span
          className="mr-2 inline-block h-2 w-16 overflow-hidden rounded-full bg-line align-middle max-sm:hidden"
          aria-hidden
        >
          <span
            className="block h-full bg-accent"
            style={{ width: `${Math.min(100, (100 * one.done) / Math.max(1, items))}%` }}
          />
        </span>
        {one.done} of {items}
      </td>
      {writes && (
        <>
          <td className={number}>{one.written || "–"}</td>
          <td className="py-2.5 text-right tabular-nums max-sm:hidden">{one.found || "–"}</td>
        </>
      )}
    </tr>
  );
}
