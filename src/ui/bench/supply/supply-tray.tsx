"use client";

import { useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useCallback, useMemo, useState } from "react";
import { sayMinutes } from "@/core/text/minutes";
import { GatherButtons } from "../../gather/gather-buttons";
import { Empty } from "../../parts/empty";
import { saySince } from "../../talk/say-time";
import { sayUse } from "../../tray/say-use";
import { setTray } from "../../tray/tray-acts";
import type { Suggestion } from "./suggestions";
import type { SupplyProps } from "./supply-props";
import { SupplyList } from "./supply-list";
import type { Supplied } from "../state/types";

const Suggestions = dynamic(() => import("./suggestions").then((m) => m.Suggestions), { ssr: false });

const UseFor = dynamic(() => import("../../tray/use-for").then((m) => m.UseFor), { ssr: false });

type TrayProps = SupplyProps & {
  entries: ({ resource: Supplied; suggestions: Suggestion[] } & Parameters<typeof sayUse>[0])[] | null;
  minutes: number;
  oldest: string | null;
};

/** What waits in one's Tray. */
export function Tray({ team, here, onPlace, entries, minutes, oldest }: TrayProps) {
  const client = useQueryClient();
  const again = useCallback(
    () => void client.invalidateQueries({ queryKey: ["tray", team] }),
    [client, team],
  );
  const [using, setUsing] = useState<Supplied[] | null>(null);
  const away = useCallback((resources: Supplied[]) => setTray(team, resources, "away", again), [team, again]);
  const said = useMemo(() => new Map(entries?.map((one) => [one.resource.id, sayUse(one)])), [entries]);
  if (entries?.length === 0)
    return (
      <Empty inset title="Nothing waits">
        <p>What you bring in without saying where it goes waits here until you place it or put it away.</p>
        <GatherButtons ways={["bring", "file"]} />
      </Empty>
    );
  return (
    <>
      <p className="min-h-[37px] border-b border-line px-4 py-2 text-sm text-quiet">
        {minutes > 0 && `${sayMinutes(minutes)} waiting`}
        {oldest && saySince(oldest) && `, oldest ${saySince(oldest)}`}
      </p>
      {entries?.some((entry) => entry.suggestions.length) && (
        <Suggestions entries={entries} onDecided={again} />
      )}
      <SupplyList
        resources={entries?.map((entry) => entry.resource) ?? []}
        here={here}
        onPlace={onPlace}
        onAway={away}
        onUse={setUsing}
        sayOf={(id) => said.get(id) ?? null}
        label="Tray"
      />
      {using && (
        <UseFor
          team={team}
          title={
            using.length === 1 ? `Still to use: ${using[0]!.title}` : `Still to use: ${using.length} items`
          }
          known={[...new Set(entries?.map((one) => one.forWords).filter(Boolean))].slice(0, 6)}
          onClose={() => setUsing(null)}
          onPick={(use) => {
            setTray(team, using, "use", again, use);
            setUsing(null);
          }}
        />
      )}
    </>
  );
}
