"use client";

import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import { may } from "@/core/policy/abilities";
import { toggleFilter } from "@/core/search/query";
import { SelectionBar } from "../bench/dialogs/selection-bar";
import { BenchContext } from "../bench/state/bench-context";
import type { Asking } from "../bench/state/types";
import { useSelection } from "../bench/state/use-selection";
import { GatherButtons } from "../gather/gather-buttons";
import { Button } from "../parts/button";
import { Empty } from "../parts/empty";
import { holdLetters } from "../shell/hold-letters";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { CatalogueHead } from "./catalogue-head";
import { FoundLine } from "./found-line";
import { focusItem } from "../bench/state/use-item-keys";
import { ResultHead } from "./result-head";
import { ResultRow } from "./result-row";
import { type First, useCatalogue } from "./use-catalogue";
import { useCatalogueCommands } from "./use-catalogue-commands";

const Ask = dynamic(() => import("../bench/dialogs/ask").then((m) => m.Ask), { ssr: false });

type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: First };

/** All resources of the team, to find, to narrow and to mend. */
export function Catalogue({ me, teams, team, first }: Props) {
  const { typed, setTyped, query, order, setOrder, pages, facets, results, items, again, change } =
    useCatalogue(team.id, first);
  const [asking, setAsking] = useState<Asking | null>(null);
  const box = useRef<HTMLInputElement>(null);
  const selection = useSelection(items);
  const arranges = may(team.role, "arrange");
  const brings = may(team.role, "bring");
  const router = useRouter();
  const [opened, setOpened] = useState<string | null>(null);
  const toggle = (id: string) => setOpened((old) => (old === id ? null : id));
  const go = (path: string) => router.push(path);
  const commands = useCatalogueCommands({
    team: team.id,
    items,
    selection,
    again,
    ask: (next) => (holdLetters(), setAsking(next)),
    go,
    toggle,
    change,
  });
  const bench = useMemo(
    () => ({ team: team.id, collection: "", arranges, brings, readers: null, loose: true, commands }),
    [team.id, arranges, brings, commands],
  );
  const [top] = pages.data?.pages ?? [];
  const set = (text: string) => {
    setTyped(text);
    box.current?.focus();
  };
  return (
    <BenchContext.Provider value={bench}>
      <Frame me={me} teams={teams} team={team}>
        <main
          id="main"
          className="mx-3 mb-3 flex min-h-0 flex-1 flex-col rounded-md border border-line bg-sheet short:overflow-y-auto"
        >
          <CatalogueHead
            team={team.id}
            box={box}
            typed={typed}
            query={query}
            chips={top?.chips ?? []}
            facets={facets}
            onType={setTyped}
            onAsk={set}
          />
          <FoundLine
            top={top}
            query={query}
            order={order}
            looking={pages.isFetching && !pages.isFetchingNextPage}
            onOrder={() => setOrder(order === "best" ? "newest" : "best")}
            onMeant={set}
          />
          <div
            className="min-h-0 flex-1 overflow-auto px-4 pb-24 short:min-h-auto short:flex-none short:overflow-visible sm:px-6"
            onKeyDown={(event) => {
              if (event.key !== "Escape" || !opened) return commands.onKey(event);
              focusItem(opened);
              setOpened(null);
              event.preventDefault();
            }}
          >
            {results.length === 0 && !pages.isPending ? (
              <Empty title={query.trim() ? "Nothing has all these words" : "The catalogue is empty"}>
                <p>
                  {query.trim()
                    ? "Every word must be there. Fewer words, or a filter less, find more."
                    : "Everything your team brings in stands here once, wherever it is placed."}
                </p>
                {!query.trim() && <GatherButtons ways={["bring", "file"]} />}
              </Empty>
            ) : (
              <div role="grid" aria-label="Things of the catalogue" aria-multiselectable>
                {results.length > 0 && (
                  <ResultHead
                    all={selection.chosen.length === items.length}
                    onAll={(on) => (on ? selection.all() : selection.choose(selection.current))}
                  />
                )}
                {results.map((one, i) => (
                  <ResultRow
                    key={one.id}
                    opened={opened === one.id}
                    found={one}
                    item={items[i]!}
                    selected={selection.marked.has(one.id)}
                    current={selection.current === one.id}
                    reachable={
                      one.id ===
                      (items.some((item) => item.id === selection.current) ? selection.current : items[0]?.id)
                    }
                    onTag={(name) => set(toggleFilter(typed, "tag", name))}
                  />
                ))}
              </div>
            )}
            {pages.hasNextPage && (
              <Button
                className="mt-4"
                disabled={pages.isFetchingNextPage}
                onClick={() => void pages.fetchNextPage()}
              >
                Show more
              </Button>
            )}
          </div>
          {selection.chosen.length > 1 && <SelectionBar selection={selection} />}
        </main>
        {asking && (
          <Ask
            asking={asking}
            items={items}
            sections={[]}
            collectionTitle=""
            onClose={() => setAsking(null)}
            send={(ids, to, _, words) => commands.place(ids, to, words)}
          />
        )}
      </Frame>
    </BenchContext.Provider>
  );
}
