"use client";

import { useQueryClient } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useCallback } from "react";
import { sayMinutes } from "@/core/text/minutes";
import { GatherButtons } from "../../gather/gather-buttons";
import { Empty } from "../../parts/empty";
import { sayDone } from "../../shell/use-undo";
import { call } from "../../talk/call";
import { sayFailure } from "../../talk/say-failure";
import { saySince } from "../../talk/say-time";
import type { Suggestion } from "./suggestions";
import type { SupplyProps } from "./supply-props";
import { SupplyList } from "./supply-list";
import type { Supplied } from "../state/types";

const Suggestions = dynamic(() => import("./suggestions").then((m) => m.Suggestions), { ssr: false });

type TrayProps = SupplyProps & {
  entries: { resource: Supplied; suggestions: Suggestion[] }[] | null;
  minutes: number;
  oldest: string | null;
};

/** What waits in one's Tray. */
export function Tray({ team, here, onPlace, entries, minutes, oldest }: TrayProps) {
  const client = useQueryClient();
  const away = useCallback(
    (resources: Supplied[]) => {
      const again = () => void client.invalidateQueries({ queryKey: ["tray", team] });
      call("tray.set-many", { team, resources: resources.map((one) => one.id), state: "away" })
        .then(({ entry }) => {
          again();
          const words = resources.length === 1 ? "Put away." : `Put away ${resources.length}.`;
          sayDone(
            `${words} ${resources.length === 1 ? "It stays" : "They stay"} in the catalogue.`,
            team,
            entry,
            again,
          );
        })
        .catch(sayFailure);
    },
    [client, team],
  );
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
        <Suggestions
          entries={entries}
          onDecided={() => void client.invalidateQueries({ queryKey: ["tray", team] })}
        />
      )}
      <SupplyList
        resources={entries?.map((entry) => entry.resource) ?? []}
        here={here}
        onPlace={onPlace}
        onAway={away}
        label="Tray"
      />
    </>
  );
}
