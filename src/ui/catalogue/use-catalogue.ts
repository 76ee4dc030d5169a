"use client";

import {
  type InfiniteData,
  keepPreviousData,
  useInfiniteQuery,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { reloads } from "@/core/history/verbs";
import type { Answer } from "@/services/registry";
import { useUndo } from "../shell/use-undo";
import { ask } from "../talk/call";
import { useLive } from "../talk/use-live";
import type { Item } from "../bench/state/types";
import { asItem } from "./use-catalogue-commands";

export type Page = Answer<"search.find">;
/** What was found already when the page was drawn. */
export type First = { query: string; page: Page };

/**
 * What is found in the catalogue by what is typed, page by page, and counted by site, tag and kind. It stays as it is now
 * while others work, and what is asked stands in the address, so that it can be kept and sent.
 */
export function useCatalogue(team: string, first: First) {
  const client = useQueryClient();
  const [typed, setTyped] = useState(first.query);
  const [order, setOrder] = useState<"best" | "newest">("best");
  const query = useDeferredValue(typed);
  const pages = useInfiniteQuery({
    queryKey: ["catalogue", team, query, order],
    queryFn: ({ pageParam }) =>
      ask("search.find", {
        team: team,
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
    queryKey: ["facets", team, query],
    queryFn: () => ask("search.facets", { team: team, query }),
    placeholderData: keepPreviousData,
    // Of a large catalogue what just happened is counted a little later.
    refetchInterval: ({ state }) => (state.data?.old ? 4_000 : false),
  });
  useEffect(() => {
    const put = () => {
      leave();
      const address = query ? `?q=${encodeURIComponent(query)}` : window.location.pathname;
      window.history.replaceState(null, "", address);
    };
    const timer = setTimeout(put, 400);
    // Whoever follows a link before then leaves this address behind; put later, it would call that off.
    window.addEventListener("click", put, { capture: true });
    const leave = () => {
      clearTimeout(timer);
      window.removeEventListener("click", put, { capture: true });
    };
    return leave;
  }, [query]);
  const change = (id: string, how: (item: Item) => Item) =>
    client.setQueriesData<InfiniteData<Page>>(
      { queryKey: ["catalogue", team] },
      (old) =>
        old && {
          ...old,
          pages: old.pages.map((page) => ({
            ...page,
            results: page.results.map((one) =>
              one.id === id ? { ...one, ...how(asItem(one)).resource } : one,
            ),
          })),
        },
    );
  const again = () => {
    for (const key of ["catalogue", "facets", "tags"])
      void client.invalidateQueries({ queryKey: [key, team] });
  };
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  useLive(team, {
    onEvents: (events) => {
      if (!events.some((event) => reloads(event, "catalogue", "counts"))) return;
      clearTimeout(later.current);
      later.current = setTimeout(again, 500);
    },
    onReload: again,
  });
  useUndo(team, again);

  const results = useMemo(() => pages.data?.pages.flatMap((page) => page.results) ?? [], [pages.data]);
  const items = useMemo(() => results.map(asItem), [results]);
  return {
    typed,
    setTyped,
    query,
    order,
    setOrder,
    pages,
    facets: facets.data ?? null,
    results,
    items,
    again,
    change,
  };
}
