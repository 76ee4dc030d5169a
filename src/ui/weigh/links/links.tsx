"use client";

import { useState } from "react";
import { LINK_STATES } from "@/core/health/link-state";
import { groupBy } from "@/core/list/group-by";
import { may } from "@/core/policy/abilities";
import type { Answer } from "@/services/registry";
import { Button } from "../../parts/button";
import { Empty } from "../../parts/empty";
import { Frame, type Me, type TeamRow } from "../../shell/frame";
import { useUndo } from "../../shell/use-undo";
import { ask } from "../../talk/call";
import { useLiveAnswer } from "../../talk/use-live-answer";
import { FoundLink } from "./found-link";
import { MovedHouse } from "./house";
import { FOUND } from "./say-link";

type Read = Answer<"links.read">;
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Read };

/** What has become of the addresses of a team, the worst first, and how each is mended. */
export function Links({ me, teams, team, first }: Props) {
  const [read, again] = useLiveAnswer(
    team.id,
    ["links", team.id],
    () => ask("links.read", { team: team.id }),
    first,
    "links",
    "items",
    "item",
    "list",
    "resource",
  );
  useUndo(team.id, again);
  const [house, setHouse] = useState<{ from: string; to: string } | null>(null);
  const groups = groupBy(read.found, ({ state }) => state);
  const arranges = may(team.role, "arrange");
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-4xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Links</h1>
          <p className="mt-1 max-w-prose text-quiet">
            What has become of the pages you lead to. Each is asked now and then, as its site lets programs,
            and what is wrong twice in a row stands here before your readers meet it.
          </p>
          <p role="status" className="mt-2 text-[15px]">
            {sayPlan(read)}
          </p>
          {arranges && read.links > 0 && <Houses houses={read.houses} onSee={setHouse} />}
          {house && <MovedHouse team={team.id} first={house} onClose={() => setHouse(null)} again={again} />}
          {read.found.length === 0 && (
            <Empty title={read.links ? "Nothing is wrong" : "Nothing is watched yet"}>
              <p>
                {read.links
                  ? "As far as is known, every page you lead to is where it was."
                  : "As soon as an address stands in a collection it is watched."}
              </p>
            </Empty>
          )}
          {LINK_STATES.flatMap((state) =>
            state === "ok" || state === "unreachable" || !groups.has(state)
              ? []
              : [
                  <section key={state} aria-labelledby={`links-${state}`} className="mt-8">
                    <h2
                      id={`links-${state}`}
                      className="border-b-2 border-edge pb-1 font-serif text-xl font-semibold"
                    >
                      {FOUND[state].head}{" "}
                      <span className="font-sans text-[15px] font-normal text-quiet tabular-nums">
                        {groups.get(state)!.length}
                      </span>
                    </h2>
                    <p className="mt-1 text-[15px] text-quiet">{FOUND[state].means}</p>
                    <ul>
                      {groups.get(state)!.map((link) => (
                        <FoundLink
                          key={link.resource}
                          {...{ link, arranges, again }}
                          team={team.id}
                          brings={may(team.role, "bring")}
                        />
                      ))}
                    </ul>
                  </section>,
                ],
          )}
        </div>
      </main>
    </Frame>
  );
}

/** Sites that seem to have moved as a whole, and the way to say of another one that it has. */
function Houses({
  houses,
  onSee,
}: {
  houses: Read["houses"];
  onSee: (house: { from: string; to: string }) => void;
}) {
  return (
    <div className="mt-3 flex flex-col items-start gap-2">
      {houses.map(({ from, to, seen }) => (
        <p
          key={`${from} ${to}`}
          className="flex w-full flex-wrap items-center gap-x-3 gap-y-2 rounded-md border border-line bg-sheet px-4 py-3 text-[15px]"
        >
          <span className="min-w-52 flex-1">
            <b className="font-semibold">A site seems to have moved.</b> {seen} pages that began with{" "}
            <span className="break-all">{from}</span> begin now with <span className="break-all">{to}</span>
          </span>
          <Button small look="accent" onClick={() => onSee({ from, to })}>
            See what that leads where
          </Button>
        </p>
      ))}
      <Button small look="quiet" className="-ml-3" onClick={() => onSee({ from: "", to: "" })}>
        {houses.length ? "Another site has moved …" : "A site has moved …"}
      </Button>
    </div>
  );
}

/** What watching takes, in words. */
function sayPlan({ links, hosts, plan, pause, asked }: Read): string {
  if (!links) return "";
  const days = Math.round(plan.days);
  return `${links === 1 ? "1 address" : `${links} addresses`} at ${hosts === 1 ? "1 site" : `${hosts} sites`}, each asked about every ${days} days; no site more often than every ${pause === 1 ? "second" : `${pause} seconds`}.${
    asked
      ? ` The last was asked ${new Date(asked).toLocaleDateString("en", { day: "numeric", month: "long" })}.`
      : " None has been asked yet."
  }`;
}
