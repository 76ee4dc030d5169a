"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import type { Supplied } from "../bench/state/types";
import { Tray } from "../bench/supply/supply-tray";
import { Dialog } from "../parts/dialog";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { placeResources } from "../shell/place-resources";
import { ask } from "../talk/call";
import { useLive } from "../talk/use-live";

const Destination = dynamic(() => import("../bench/dialogs/destination").then((m) => m.Destination), {
  ssr: false,
});

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"tray.read"> };
const NOWHERE: ReadonlySet<string> = new Set();

/** What waits for oneself, to be placed somewhere, read or put away; no collection need be there yet. */
export function TrayPage({ me, teams, team, first }: Props) {
  const client = useQueryClient();
  const router = useRouter();
  const [placing, setPlacing] = useState<Supplied[] | null>(null);
  const tray = useQuery({
    queryKey: ["tray", team.id],
    queryFn: () => ask("tray.read", { team: team.id }),
    initialData: first,
  });
  const again = () => void client.invalidateQueries({ queryKey: ["tray", team.id] });
  useLive(team.id, { onEvents: again, onReload: again });
  const { entries, minutes, oldest, count } = tray.data;
  const [one] = placing ?? [];
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="flex min-h-0 flex-1 flex-col overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex w-full max-w-3xl flex-col pt-6">
          <h1 className="font-serif text-3xl font-semibold">Tray</h1>
          <p className="mt-1 mb-4 text-quiet">
            What you brought in and have not placed yet. Nobody else sees it here.
            {count > entries.length && ` These are the newest ${entries.length} of ${count}.`}
          </p>
          <div className="rounded-md border border-line bg-sheet">
            <Tray
              team={team.id}
              here={NOWHERE}
              onPlace={may(team.role, "bring") ? setPlacing : undefined}
              entries={entries}
              minutes={minutes}
              oldest={oldest}
            />
          </div>
        </div>
      </main>
      {placing && one && (
        <Dialog
          open
          onOpenChange={(on) => !on && setPlacing(null)}
          title={placing.length === 1 ? `Place “${one.title}”` : `Place ${placing.length} items`}
        >
          <Destination
            team={team.id}
            makes={may(team.role, "arrange")}
            words={placing.length === 1 ? "" : undefined}
            onPick={(to, words) => {
              setPlacing(null);
              placeResources({
                ...{ team: team.id, resources: placing.map((each) => each.id), to, words },
                done: again,
                go: (path) => router.push(path),
              });
            }}
          />
        </Dialog>
      )}
    </Frame>
  );
}
