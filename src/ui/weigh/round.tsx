"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { STATE_WORDS } from "@/core/appraise/rounds";
import { screeningAt } from "@/core/appraise/screening";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { Link } from "../parts/link";
import { TabPanel, Tabs } from "../parts/tabs";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { sayDone, useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLiveAnswer } from "../talk/use-live-answer";
import { Agreement } from "./agreement";
import { Flow } from "./flow/flow";
import { Judge } from "./judge/judge";
import { Ranking } from "./ranking";
import { Screened } from "./screened";
import { Shortlist } from "./shortlist";
import { SideBySide } from "./side-by-side";

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"rounds.look"> };
type Tab = "judge" | "side" | "agreement" | "ranking" | "flow" | "shortlist";

/** A round: judging, what everybody answered side by side, and how far they agree. */
export function Round({ me, teams, team, first }: Props) {
  const id = first.round.id;
  const router = useRouter();
  const [round, again] = useLiveAnswer(
    team.id,
    ["round", id],
    () => ask("rounds.look", { round: id }),
    first,
    "weighing",
  );
  // What one answered and took back is shown as it is now.
  const [taken, setTaken] = useState(0);
  const [before, setBefore] = useState<typeof round | null>(null);
  if (before && before !== round) {
    setBefore(null);
    setTaken(taken + 1);
  }
  useUndo(team.id, () => (setBefore(round), again()));
  const { title, state, blind, name } = round.round;
  const place = round.people.findIndex((one) => one.id === me.id);
  // Of what has been opened one judges what one is asked about as a third.
  const isThird = state === "settling" && round.things.some((thing) => thing.thirds.includes(place));
  const judges = place >= 0 && (state === "judging" || isThird);
  const [chosen, setTab] = useState<Tab>(judges ? "judge" : "side");
  const tab = chosen === "judge" && !judges ? "side" : chosen;
  const arranges = may(team.role, "arrange");
  const client = useQueryClient();
  const screens = screeningAt(round.criteria) >= 0;
  // What is left is told in the bar, too.
  const given = () => {
    again();
    void client.invalidateQueries({ queryKey: ["tray", team.id, "waiting"] });
  };
  const all = round.things.reduce((sum, thing) => sum + thing.judges.length, 0);
  const done = round.things.reduce((sum, thing) => sum + thing.said.filter(({ whole }) => whole).length, 0);
  const take = (next: "settling" | "done") => {
    // At once: who goes on elsewhere meanwhile is not brought back by the answer.
    if (next === "settling") setTab("side");
    return call("rounds.edit", { round: id, state: next })
      .then(({ entry }) => {
        again();
        sayDone(
          next === "settling" ? "Opened: everybody sees what the others think." : "The round is done.",
          team.id,
          // What everybody has seen is not unseen.
          next === "settling" && blind ? null : entry,
          again,
        );
      })
      .catch(sayFailure);
  };
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="flex min-h-0 flex-1 flex-col">
        <div className="flex flex-wrap items-start gap-x-4 gap-y-2 px-4 pt-5 pb-2">
          <div className="mr-auto min-w-0">
            <p className="text-sm">
              <Link href={`/team/${team.id}/appraisal`} className="text-accent underline">
                Appraisal
              </Link>
            </p>
            <h1 className="font-serif text-2xl font-semibold break-words">{title}</h1>
            <p className="text-[15px] text-quiet">
              By “{name}” · {round.things.length === 1 ? "1 thing" : `${round.things.length} things`} ·{" "}
              {STATE_WORDS[state]}
              {state === "judging" && `, ${done} of ${all} judgements given`}
              {blind && state === "judging" && " · blind: nobody sees what the others think"}
            </p>
          </div>
          {arranges && state === "judging" && (
            <Button look={done === all ? "accent" : "line"} onClick={() => void take("settling")}>
              Open, and settle what differs
            </Button>
          )}
          {arranges && state === "settling" && <Button onClick={() => void take("done")}>It is done</Button>}
          {arranges && state === "done" && (
            <Button look="quiet" onClick={() => void take("settling")}>
              Take it up again
            </Button>
          )}
          {arranges && (
            <Button
              look="quiet"
              onClick={() =>
                void call("rounds.remove", { round: id })
                  .then(({ entry }) => {
                    router.push(`/team/${team.id}/appraisal`);
                    sayDone(`Taken away: ${title}`, team.id, entry, () => router.refresh());
                  })
                  .catch(sayFailure)
              }
            >
              Take away
            </Button>
          )}
        </div>
        <Tabs<Tab>
          label="The round"
          value={tab}
          onChange={setTab}
          tabs={[
            ...(judges ? [{ value: "judge" as const, label: "Judge" }] : []),
            { value: "side", label: "Side by side" },
            { value: "agreement", label: "Agreement" },
            // What is screened is in or out, and not the better or the worse.
            screens ? { value: "flow", label: "Flow" } : { value: "ranking", label: "Ranking" },
            ...(screens ? [] : [{ value: "shortlist" as const, label: "Shortlist" }]),
          ]}
        >
          {judges && (
            <TabPanel value="judge">
              <div className="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-16">
                <div className="mx-auto max-w-6xl">
                  <Judge
                    key={taken}
                    round={round}
                    me={place}
                    onGiven={given}
                    onShown={() => setTab("side")}
                  />
                </div>
              </div>
            </TabPanel>
          )}
          <TabPanel value="side">
            <div className="flex min-h-0 flex-1 flex-col px-4 pt-4">
              <Screened round={round} arranges={arranges} />
              <SideBySide round={round} brings={may(team.role, "bring")} onSettled={again} />
            </div>
          </TabPanel>
          <TabPanel value="agreement">
            <div className="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-16">
              <Agreement round={round} />
            </div>
          </TabPanel>
          <TabPanel value="flow">
            <div className="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-16">
              <Flow round={round} brings={may(team.role, "bring")} />
            </div>
          </TabPanel>
          <TabPanel value="shortlist">
            <div className="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-16">
              <Shortlist {...{ round, arranges }} brings={may(team.role, "bring")} onChanged={again} />
            </div>
          </TabPanel>
          <TabPanel value="ranking">
            <div className="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-16">
              <Ranking round={round} />
            </div>
          </TabPanel>
        </Tabs>
      </main>
    </Frame>
  );
}
