"use client";

import type { Answer } from "@/services/registry";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { Keeping } from "./keeping";
import { Log } from "./log";
import { Space } from "./space";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  log: Answer<"log.read">;
  members: Answer<"members.read">["members"];
} & Answer<"teams.upkeep">;

/** What those who own a team look after: who did what, how long things are kept, how much space they take. */
export function Upkeep({ me, teams, team, keeps, space, log, members }: Props) {
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex max-w-4xl flex-col gap-10 pt-6">
          <header>
            <h1 className="font-serif text-3xl font-semibold">Upkeep</h1>
            <p className="mt-1 text-quiet">What those who own {team.name} look after.</p>
          </header>
          <Keeping team={team.id} first={keeps} />
          <Space space={space} />
          <Log team={team.id} first={log} members={members} kept={keeps.log} />
        </div>
      </main>
    </Frame>
  );
}
