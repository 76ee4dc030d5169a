"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { clsx } from "clsx";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { groupBy } from "@/core/list/group-by";
import { may } from "@/core/policy/abilities";
import { TRAY_WORDS, type TrayState } from "@/core/tray/states";
import type { Answer } from "@/services/registry";
import type { Supplied } from "../bench/state/types";
import { SupplyList } from "../bench/supply/supply-list";
import { GatherButtons } from "../gather/gather-buttons";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { isForField } from "../shell/commands";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { placeResources } from "../shell/place-resources";
import { sayDone } from "../shell/use-undo";
import { useWindowKeys } from "../shell/use-window-keys";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { sayUse, sayUseHead } from "./say-use";
import { setTray } from "./tray-acts";
import { TrayHead } from "./tray-head";

const PlaceDialog = dynamic(() => import("./place-dialog").then((m) => m.PlaceDialog), { ssr: false });
const UseFor = dynamic(() => import("./use-for").then((m) => m.UseFor), { ssr: false });
const OneByOne = dynamic(() => import("./one-by-one").then((m) => m.OneByOne), { ssr: false });
const Suggestions = dynamic(() => import("../bench/supply/suggestions").then((m) => m.Suggestions), {
  ssr: false,
});

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: Answer<"tray.read"> };
const NOWHERE: ReadonlySet<string> = new Set();

const EMPTY: Record<TrayState, [title: string, words: string]> = {
  waiting: [
    "Nothing waits",
    "What you bring in without saying where it goes waits here until you place it or put it away.",
  ],
  looked: ["Nothing was looked at", "What you opened and have not placed or put away yet is kept here."],
  use: [
    "Nothing is left to use",
    "U keeps something here for what it is still to be used for: the newsletter, a lesson, an order.",
  ],
  away: [
    "Nothing was put away",
    "What you put away stays in the catalogue, and can be taken out again here.",
  ],
};

/** What waits for oneself, to be placed somewhere, read, kept for a use or put away; no collection need be there yet. */
export function TrayPage({ me, teams, team, first }: Props) {
  const client = useQueryClient();
  const router = useRouter();
  const [state, setState] = useState<TrayState>("waiting");
  const [grouped, setGrouped] = useState(false);
  const [large, setLarge] = useState(false);
  const [placing, setPlacing] = useState<Supplied[] | null>(null);
  const [using, setUsing] = useState<Supplied[] | null>(null);
  const { data: tray } = useQuery({
    queryKey: ["tray", team.id, "in", state],
    queryFn: () => ask("tray.read", { team: team.id, state }),
    initialData: state === "waiting" ? first : undefined,
    placeholderData: (old) => old,
  });
  const again = () => void client.invalidateQueries({ queryKey: ["tray", team.id] });
  useLive(team.id, { onEvents: again, onReload: again });
  useWindowKeys((event) => {
    if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey || large) return;
    if (event.key.toLowerCase() !== "w" || state !== "waiting" || document.querySelector("[role=dialog]"))
      return;
    event.preventDefault();
    if (tray?.count) setLarge(true);
  });
  const entries = useMemo(() => tray?.entries ?? [], [tray]);
  const said = useMemo(() => new Map(entries.map((one) => [one.resource.id, sayUse(one)])), [entries]);
  const groups = useMemo(() => {
    const source = ({ resource }: (typeof entries)[number]) =>
      resource.siteName || resource.host || "Without a site";
    return [...groupBy(entries, state === "use" ? sayUseHead : source)].sort(
      (a, b) => b[1].length - a[1].length || (a[0] < b[0] ? -1 : 1),
    );
  }, [entries, state]);
  const known = [...new Set(entries.map((one) => one.forWords).filter(Boolean))].slice(0, 6);
  const brings = may(team.role, "bring");
  const countOf = (which: TrayState) => tray?.states.find((one) => one.state === which)?.count ?? 0;
  const remove = (resources: Supplied[]) =>
    void call("resources.remove-many", { team: team.id, resources: resources.map((one) => one.id) })
      .then(({ entry }) => {
        again();
        sayDone(resources.length === 1 ? "Deleted." : `Deleted ${resources.length}.`, team.id, entry, again);
      })
      .catch(sayFailure);
  const list = (some: typeof entries, label: string) => (
    <SupplyList
      resources={some.map((one) => one.resource)}
      here={NOWHERE}
      onPlace={brings ? setPlacing : undefined}
      onAway={(resources) => setTray(team.id, resources, state === "away" ? "waiting" : "away", again)}
      onUse={setUsing}
      onDelete={may(team.role, "arrange") ? remove : undefined}
      sayOf={state === "use" ? undefined : (id) => said.get(id) ?? null}
      label={label}
    />
  );
  const byGroup = grouped || state === "use";
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="flex min-h-0 flex-1 flex-col overflow-y-auto px-4 pb-16">
        <div className="mx-auto flex w-full max-w-3xl flex-col pt-6">
          <h1 className="font-serif text-3xl font-semibold">Tray</h1>
          <p className="mt-1 mb-3 text-quiet">
            What you brought in and have not placed yet. Nobody else sees it here.
          </p>
          {large ? (
            <div className="rounded-md border border-line bg-sheet">
              <OneByOne
                team={team}
                entries={entries}
                known={known}
                again={again}
                onClose={() => setLarge(false)}
              />
            </div>
          ) : (
            <>
              <div role="group" aria-label="What of it" className="mb-3 flex flex-wrap items-center gap-1">
                {(Object.keys(TRAY_WORDS) as TrayState[]).map((which) => (
                  <button
                    key={which}
                    type="button"
                    aria-pressed={which === state}
                    onClick={() => setState(which)}
                    className={clsx(
                      "h-9 rounded-md border px-3 text-[15px]",
                      which === state
                        ? "border-accent bg-wash font-semibold"
                        : "border-transparent text-quiet hover:bg-wash hover:text-ink",
                    )}
                  >
                    {TRAY_WORDS[which]}{" "}
                    {countOf(which) > 0 && <span className="text-sm">{countOf(which)}</span>}
                  </button>
                ))}
                {state !== "use" && entries.length > 1 && (
                  <Button
                    small
                    look="quiet"
                    className="ml-auto"
                    aria-pressed={grouped}
                    onClick={() => setGrouped(!grouped)}
                  >
                    {grouped ? "As they came" : "By site"}
                  </Button>
                )}
              </div>
              <div className="rounded-md border border-line bg-sheet">
                {tray && state === "waiting" && tray.count > 0 && (
                  <TrayHead team={team.id} tray={tray} onOneByOne={() => setLarge(true)} again={again} />
                )}
                {entries.some((one) => one.suggestions.length) && (
                  <Suggestions entries={entries} onDecided={again} />
                )}
                {tray && !entries.length && (
                  <Empty inset title={EMPTY[state][0]}>
                    <p>{EMPTY[state][1]}</p>
                    {state === "waiting" && <GatherButtons ways={["bring", "file"]} />}
                  </Empty>
                )}
                {byGroup
                  ? groups.map(([name, some]) => (
                      <section key={name} aria-label={name}>
                        <div className="flex items-center gap-2 border-b border-line bg-sunk px-4 py-1.5 text-sm">
                          <h2 className="min-w-0 flex-1 truncate font-semibold">
                            {name} <span className="font-normal text-quiet">{some.length}</span>
                          </h2>
                          {some.length > 1 && brings && (
                            <Button
                              small
                              look="quiet"
                              onClick={() => setPlacing(some.map((one) => one.resource))}
                            >
                              Place all
                            </Button>
                          )}
                          {some.length > 1 && state !== "away" && (
                            <Button
                              small
                              look="quiet"
                              onClick={() =>
                                setTray(
                                  team.id,
                                  some.map((one) => one.resource),
                                  "away",
                                  again,
                                )
                              }
                            >
                              Put all away
                            </Button>
                          )}
                        </div>
                        {list(some, name)}
                      </section>
                    ))
                  : entries.length > 0 && list(entries, state === "waiting" ? "Tray" : TRAY_WORDS[state])}
              </div>
              {entries.length < countOf(state) && (
                <p className="mt-2 text-sm text-quiet">
                  These are the newest {entries.length} of {countOf(state)}.
                </p>
              )}
            </>
          )}
        </div>
      </main>
      {using && (
        <UseFor
          team={team.id}
          title={
            using.length === 1 ? `Still to use: ${using[0]!.title}` : `Still to use: ${using.length} items`
          }
          known={known}
          onClose={() => setUsing(null)}
          onPick={(use) => {
            setTray(team.id, using, "use", again, use);
            setUsing(null);
          }}
        />
      )}
      {placing && (
        <PlaceDialog
          team={team}
          titles={placing.map((one) => one.title)}
          onClose={() => setPlacing(null)}
          onPick={(to, words) => {
            setPlacing(null);
            placeResources({
              ...{ team: team.id, resources: placing.map((each) => each.id), to, words },
              done: again,
              go: (path) => router.push(path),
            });
          }}
        />
      )}
    </Frame>
  );
}
