"use client";

import { useState } from "react";
import { Gate } from "../account/gate";
import { Button } from "../parts/button";
import { Choice } from "../parts/field";
import type { TeamRow } from "../shell/frame";
import { call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";

type Props = { kind: "team" | "person"; of: string; name: string; teams: TeamRow[] };

/** From a public page: what is new there is told from now on, in one of one's teams. */
export function FollowHere({ kind, of, name, teams }: Props) {
  const [team, setTeam] = useState((teams.find((one) => one.own) ?? teams[0])!.id);
  const [busy, setBusy] = useState(false);
  const follow = () => {
    setBusy(true);
    call("follows.add", { team, kind, what: of })
      .then(() => window.location.assign(`/team/${team}/followed`))
      .catch((error) => (setBusy(false), sayFailure(error)));
  };
  const page = `/public/${kind === "person" ? "person/" : ""}${of}`;
  return (
    <Gate
      title={`Follow ${name}`}
      about={
        kind === "team"
          ? "What this team makes public from now on stands under Followed."
          : "What they have a hand in and what is made public from now on stands under Followed. They are not told."
      }
    >
      {teams.length > 1 && (
        <Choice
          label="In which team it is taken up"
          value={team}
          options={teams.map((one) => [one.id, one.own ? `${one.name} (yours alone)` : one.name] as const)}
          onChange={(event) => setTeam(event.target.value)}
        />
      )}
      <p className="flex flex-wrap items-center gap-4">
        <Button look="accent" onClick={follow} disabled={busy}>
          Follow
        </Button>
        <a href={page} className="text-accent underline">
          Back to the page
        </a>
      </p>
    </Gate>
  );
}
