"use client";

import { keepPreviousData, useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import { Search, X } from "lucide-react";
import dynamic from "next/dynamic";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { may } from "@/core/policy/abilities";
import { toggleFilter } from "@/core/search/query";
import type { Answer } from "@/services/registry";
import { BenchContext } from "../bench/state/bench-context";
import { SelectionBar } from "../bench/dialogs/selection-bar";
import { useSelection } from "../bench/state/use-selection";
import { Button, IconButton } from "../parts/button";
import { Empty } from "../parts/empty";
import { Frame, type Me, type TeamRow } from "../shell/frame";
import { useUndo } from "../shell/use-undo";
import { ask, call } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";
import { Facets } from "./narrow-by-counts";
import { SavedSearches } from "./saved-searches";
import { ResultRow } from "./result-row";
import { asItem, useCatalogueCommands } from "./use-catalogue-commands";
import type { Asking } from "../bench/state/types";

const Ask = dynamic(() => import("../bench/dialogs/ask").then((m) => m.Ask), { ssr: false });

type Page = Answer<"search.find">;
type Props = { me: Me; teams: TeamRow[]; team: TeamRow; first: { query: string; page: Page } };

/** All resources of the team, to find, to narrow and to mend. */
export function Catalogue({ me, teams, team, first }: Props) {
  const client = useQueryClient();
  const [typed, setTyped] = useState(first.query);
  const [order, setOrder] = useState<"best" | "newest">("best");
  const [asking, setAsking] = useState<Asking | null>(null);
  const box = useRef<HTMLInputElement>(null);
  const query = useDeferredValue(typed);
  const pages = useInfiniteQuery({
    queryKey: ["catalogue", team.id, query, order],
    queryFn: ({ pageParam }) =>
      ask("search.find", {
        team: team.id,
        query,
        order,
        ...(pageParam && { after: pageParam.id, score: pageParam.score }),
      }),
    initialPageParam: null as Page["next"],
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
    ...(query === first.query &&
      order === "best" && { initialData: { pages: [first.page], pageParams: [null] } }),
  });
  const facets = useQuery({
    queryKey: ["facets", team.id, query],
    queryFn: () => ask("search.facets", { team: team.id, query }),
    placeholderData: keepPreviousData,
    // Of a large catalogue what just happened is counted a little later.
    refetchInterval: ({ state }) => (state.data?.old ? 4_000 : false),
  });
  // What is asked stands in the address, so that it can be kept and sent.
  useEffect(() => {
    const timer = setTimeout(() => {
      const address = query ? `?q=${encodeURIComponent(query)}` : window.location.pathname;
      window.history.replaceState(null, "", address);
    }, 400);
    return () => clearTimeout(timer);
  }, [query]);
  const again = () => {
    for (const key of ["catalogue", "facets", "tags"])
      void client.invalidateQueries({ queryKey: [key, team.id] });
  };
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  useLive(team.id, {
    onEvents: (events) => {
      if (!events.some((event) => /^(resources|tags|placements|bin|imports|collections)\./.test(event.verb)))
        return;
      clearTimeout(later.current);
      later.current = setTimeout(again, 500);
    },
    onReload: again,
  });
  useUndo(team.id, again);

  const results = useMemo(() => pages.data?.pages.flatMap((page) => page.results) ?? [], [pages.data]);
  const items = useMemo(() => results.map(asItem), [results]);
  const selection = useSelection(items);
  const arranges = may(team.role, "arrange");
  const brings = may(team.role, "bring");
  const commands = useCatalogueCommands({ team: team.id, items, selection, again, ask: setAsking });
  const bench = useMemo(
    () => ({ team: team.id, collection: "", arranges, brings, loose: true, commands }),
    [team.id, arranges, brings, commands],
  );
  const [top] = pages.data?.pages ?? [];
  const set = (text: string) => {
    setTyped(text);
    box.current?.focus();
  };
  const total = top?.total ?? null;
  return (
    <BenchContext.Provider value={bench}>
      <Frame me={me} teams={teams} team={team}>
        <main
          id="main"
          className="mx-3 mb-3 flex min-h-0 flex-1 flex-col rounded-md border border-line bg-sheet"
        >
          <header className="flex flex-col gap-2 border-b border-line px-4 pt-4 pb-2 sm:px-6">
            <div className="flex flex-wrap items-center gap-3">
              <h1 className="font-serif text-[26px] leading-tight font-semibold">Catalogue</h1>
              <div className="relative min-w-60 flex-1">
                <Search size={16} aria-hidden className="absolute top-3 left-3 text-quiet" />
                <input
                  ref={box}
                  type="search"
                  aria-label="Find in the catalogue"
                  placeholder="Words, “phrases”, -without, tag: site: kind: by: in: added:"
                  value={typed}
                  onChange={(event) => setTyped(event.target.value)}
                  className="h-10 w-full rounded-md border border-edge bg-sheet pr-3 pl-9 [&::-webkit-search-cancel-button]:hidden"
                />
              </div>
              <SavedSearches team={team.id} query={query} onPick={set} />
            </div>
            {(top?.chips.length ?? 0) > 0 && (
              <ul aria-label="Narrowed by" className="flex flex-wrap gap-1.5">
                {top!.chips.map((chip, i) => (
                  <li
                    key={`${chip.raw} ${i}`}
                    className="inline-flex items-center gap-0.5 rounded bg-wash pl-2 text-sm"
                  >
                    <span className="mr-1 text-quiet">{chip.name}</span>
                    {chip.value}
                    <IconButton
                      label={`Leave out ${chip.name} ${chip.value}`}
                      className="size-6!"
                      onClick={() => set(typed.replace(chip.raw, "").replace(/\s+/g, " ").trim())}
                    >
                      <X size={14} aria-hidden />
                    </IconButton>
                  </li>
                ))}
              </ul>
            )}
            <Facets
              facets={facets.data?.facets ?? null}
              best={facets.data?.best ?? null}
              onToggle={(name, value) => set(toggleFilter(typed, name, value))}
            />
          </header>
          <div className="flex items-center gap-3 border-b border-line px-4 py-1.5 text-[15px] text-quiet sm:px-6">
            <p aria-live="polite" className="flex-1">
              {total === null
                ? ""
                : query.trim()
                  ? `${total > 1000 ? "More than 1,000" : total} ${total === 1 ? "thing" : "things"}`
                  : `${(top?.indexed ?? total).toLocaleString("en-GB")} things`}
              {top && !top.ranked && total !== 0 && ", newest first"}
              {pages.isFetching && !pages.isFetchingNextPage && " · looking …"}
            </p>
            {top?.ranked && (
              <Button small look="quiet" onClick={() => setOrder(order === "best" ? "newest" : "best")}>
                {order === "best" ? "Best first" : "Newest first"}
              </Button>
            )}
          </div>
          {top?.meant && (
            <p className="border-b border-line px-4 py-2 sm:px-6">
              Did you mean{" "}
              <button
                type="button"
                className="font-semibold text-accent underline"
                onClick={() => set(top.meant!)}
              >
                {top.meant}
              </button>
              ?
            </p>
          )}
          <div
            className="min-h-0 flex-1 overflow-auto px-4 pb-24 sm:px-6"
            onKeyDown={(event) => commands.onKey(event)}
          >
            {results.length === 0 && !pages.isPending ? (
              <Empty title={query.trim() ? "Nothing goes by these words" : "The catalogue is empty"}>
                <p>
                  {query.trim()
                    ? "Every word must be there. Fewer words, or a filter less, find more."
                    : "Everything your team brings in stands here once, wherever it is placed."}
                </p>
              </Empty>
            ) : (
              <div role="grid" aria-label="Things of the catalogue" aria-multiselectable>
                {results.map((one, i) => (
                  <ResultRow
                    key={one.id}
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
            send={(ids, to) =>
              void call("placements.copy-many", {
                resources: [...ids],
                collection: to.collection,
                ids: ids.map(newId),
              })
                .then(({ entry }) => commands.done(`Placed ${ids.length} in ${to.title}.`, entry))
                .catch(sayFailure)
            }
          />
        )}
      </Frame>
    </BenchContext.Provider>
  );
}
