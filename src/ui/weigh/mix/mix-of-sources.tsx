"use client";

import { useQuery } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Dimension } from "@/core/measure/mix";
import type { Answer } from "@/services/registry";
import { Choice } from "../../parts/field";
import { flattenTree } from "../../parts/tree-picker";
import { Frame, type Me, type TeamRow } from "../../shell/frame";
import { ask } from "../../talk/call";
import { useLiveAnswer } from "../../talk/use-live-answer";
import { MixChart } from "./mix-chart";
import { OfOne } from "./of-one";
import { NAMES } from "./say-mix";

type Props = {
  me: Me;
  teams: TeamRow[];
  team: TeamRow;
  collections: Answer<"collections.tree">["collections"];
  /** What is looked at; empty: the whole catalogue. */
  collection: string;
  first: Answer<"mix.read">;
};

/** From where the sources are, by whom, of which kinds, in which languages and from when; beside another collection where one wishes. */
export function MixOfSources({ me, teams, team, collections, collection, first }: Props) {
  const router = useRouter();
  const asked = (id: string) => ask("mix.read", { team: team.id, ...(id && { collection: id }) });
  const [{ mixes }] = useLiveAnswer(
    team.id,
    ["mix", team.id, collection],
    () => asked(collection),
    first,
    "items",
    "resource",
    "tree",
  );
  const [beside, setBeside] = useState("none");
  const other = useQuery({
    queryKey: ["mix-beside", team.id, beside],
    queryFn: () => asked(beside),
    enabled: beside !== "none",
  }).data;
  const [opened, setOpened] = useState<{ by: Dimension; value: string } | null>(null);
  const choices = [
    ["", "the whole catalogue"],
    ...flattenTree(collections).map(
      (one) => [one.id, `${"\u00a0\u00a0".repeat(one.depth)}${one.title}`] as const,
    ),
  ] as const;
  const nameOf = (id: string) => collections.find((one) => one.id === id)?.title ?? "The whole catalogue";
  return (
    <Frame me={me} teams={teams} team={team}>
      <main id="main" className="min-h-0 flex-1 overflow-y-auto px-4 pb-16">
        <div className="mx-auto max-w-5xl pt-6">
          <h1 className="font-serif text-3xl font-semibold">Mix of sources</h1>
          <p className="mt-1 mb-4 max-w-prose text-quiet">
            From where they are, by whom, of which kind and from when. Press a bar, or its line, to see what
            it stands for.
          </p>
          <div className="flex flex-wrap gap-x-6 gap-y-3">
            <Choice
              label="Sources of"
              className="w-72"
              value={collection}
              options={choices}
              onChange={({ target: { value } }) => {
                setOpened(null);
                router.replace(`/team/${team.id}/mix${value ? `?of=${value}` : ""}`);
              }}
            />
            <Choice
              label="Compared with"
              className="w-72"
              value={beside}
              options={[["none", "nothing"], ...choices.filter(([id]) => id !== collection)]}
              onChange={({ target }) => setBeside(target.value)}
            />
          </div>
          {opened && (
            <OfOne
              key={`${opened.by} ${opened.value}`}
              {...{ ...opened, team: team.id, collection }}
              onLeave={() => setOpened(null)}
            />
          )}
          <div className="mt-6 grid gap-x-8 gap-y-10 md:grid-cols-2">
            {mixes.map((mix) => (
              <section key={mix.by} aria-labelledby={`by-${mix.by}`}>
                <h2 id={`by-${mix.by}`} className="font-serif text-xl font-semibold">
                  {NAMES[mix.by].head}
                </h2>
                <MixChart
                  mix={mix}
                  beside={other?.mixes.find(({ by }) => by === mix.by)}
                  names={[nameOf(collection), nameOf(beside)]}
                  onOpen={(value) => setOpened({ by: mix.by, value })}
                />
              </section>
            ))}
          </div>
        </div>
      </main>
    </Frame>
  );
}
