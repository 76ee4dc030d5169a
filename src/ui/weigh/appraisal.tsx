"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { STATE_WORDS } from "@/core/appraise/rounds";
import { STARTER } from "@/core/appraise/starter-criteria";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Link } from "../parts/link";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLiveAnswer } from "../talk/use-live-answer";
import { CriteriaSets } from "./criteria-sets";
import { StartRound } from "./start-round";

type Criteria = Answer<"criteria.read">;
type Rounds = Answer<"rounds.read">;
type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  first: Criteria & Rounds;
  collections: Answer<"collections.tree">["collections"];
  /** Who may judge. */
  people: { id: string; name: string }[];
  /** With the things of which round another one is to go on. */
  after: string | null;
};

/** What a team judges, and by what: its rounds and its criteria. */
export function Appraisal({ me, teams, team, first, collections, people, after }: Props) {
  const router = useRouter();
  const [{ rounds, criteria }, again] = useLiveAnswer(
    team.id,
    ["weighing", team.id],
    async () => ({
      ...(await ask("rounds.read", { team: team.id })),
      ...(await ask("criteria.read", { team: team.id })),
    }),
    first,
    "weighing",
  );
  useUndo(team.id, again);
  const before = rounds.find((one) => one.id === after);
  const [starting, setStarting] = useState(before !== undefined);
  const arranges = may(team.role, "arrange");
  const begin = () =>
    void call("criteria.save", { team: team.id, name: STARTER.name, content: STARTER.criteria })
      .then(({ entry }) => {
        again();
        sayDone("Five questions are here. Change them as you like.", team.id, entry, again);
      })
      .catch(sayFailure);
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-3xl pt-6">
          <div className="flex flex-wrap items-center gap-3">
            <h1 className="mr-auto font-serif text-3xl font-semibold">Appraisal</h1>
            {arranges && criteria.length > 0 && !starting && (
              <Button look="accent" onClick={() => setStarting(true)}>
                Start a round
              </Button>
            )}
          </div>
          <p className="mt-1 mb-4 text-quiet">
            Which of these can be relied on, and which fit? In a round some of you judge the same things by
            the same questions, each for themselves, and settle what differs.
          </p>
          {starting && (
            <StartRound
              {...{ team: team.id, sets: criteria, collections, people }}
              after={before && { id: before.id, title: before.title }}
              onStarted={(round) => router.push(`/team/${team.id}/appraisal/${round}`)}
              onLeave={() => setStarting(false)}
            />
          )}
          <section aria-labelledby="rounds">
            <h2 id="rounds" className="mt-6 mb-2 font-serif text-xl font-semibold">
              Rounds
            </h2>
            {rounds.length === 0 ? (
              <p className="text-[15px] text-quiet">
                {criteria.length
                  ? "None yet. A round begins with a collection and the people who judge what is in it."
                  : "None yet. First say by what you judge."}
              </p>
            ) : (
              <ul className="border-t border-line">
                {rounds.map((round) => (
                  <RoundRow key={round.id} team={team.id} round={round} />
                ))}
              </ul>
            )}
          </section>
          <CriteriaSets {...{ team, criteria, arranges }} onBegin={begin} onChanged={again} />
        </div>
      </main>
    </Frame>
  );
}

function RoundRow({ team, round }: { team: string; round: Rounds["rounds"][number] }) {
  const left = round.state === "judging" ? round.mine - round.mineDone : 0;
  return (
    <li className="border-b border-line">
      <Link
        href={`/team/${team}/appraisal/${round.id}`}
        className="flex flex-wrap items-baseline gap-x-4 gap-y-1 rounded-md py-3 hover:bg-wash sm:px-2"
      >
        <span className="min-w-0 flex-1 font-serif text-lg font-semibold break-words">{round.title}</span>
        <span className="text-[15px] text-quiet">
          {round.things === 1 ? "1 thing" : `${round.things} things`} · {STATE_WORDS[round.state]}
          {round.state === "judging" && `, ${round.done} of ${round.all} given`}
          {left > 0 && <b className="font-semibold text-ink"> · {left} left for you</b>}
        </span>
      </Link>
    </li>
  );
}
