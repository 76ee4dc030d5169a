"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo } from "react";
import { compareOrder } from "@/core/order/place";
import type { Answer } from "@/services/registry";
import { call } from "../talk/call";

export type Item = Answer<"collections.items">["items"][number] & { pending?: boolean };
export type Section = Answer<"collections.read">["sections"][number];
type Kept = { items: Item[]; next: Answer<"collections.items">["next"] };

/**
 * The items of a collection in order: those that came with the page, then the rest page by page in the background.
 * `change` shows something at once; `renew` reads again what was said to have changed.
 */
export function useItems(collection: string, first: Kept, sections: Section[]) {
  const client = useQueryClient();
  const key = useMemo(() => ["items", collection], [collection]);
  const { data } = useQuery<Kept>({
    queryKey: key,
    queryFn: () => call("collections.items", { collection }),
    initialData: first,
    staleTime: Infinity,
  });

  const { next } = data;
  useEffect(() => {
    if (!next) return;
    let gone = false;
    call("collections.items", { collection, after: `${next.section}~${next.position}~${next.id}` })
      .then((page) => {
        if (!gone)
          client.setQueryData<Kept>(key, (kept) => ({
            items: merge(kept!.items, page.items),
            next: page.next,
          }));
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [client, collection, key, next]);

  const change = useCallback(
    (how: (items: Item[]) => Item[]) =>
      client.setQueryData<Kept>(key, (kept) => kept && { ...kept, items: how(kept.items) }),
    [client, key],
  );
  const renew = useCallback(
    async (placements: string[], resources: string[]) => {
      const here = new Set(client.getQueryData<Kept>(key)?.items.map((item) => item.resource.id));
      const known = resources.filter((id) => here.has(id));
      if (!placements.length && !known.length) return;
      const { items } = await call("collections.some-items", { collection, placements, resources: known });
      const found = new Set(items.map((item) => item.id));
      change((old) =>
        merge(
          old.filter((item) => !placements.includes(item.id) || found.has(item.id)),
          items,
        ),
      );
    },
    [client, key, collection, change],
  );
  const anew = useCallback(() => client.invalidateQueries({ queryKey: key }), [client, key]);

  const order = useMemo(() => new Map(sections.map((section, i) => [section.id, i])), [sections]);
  const items = useMemo(() => {
    const rank = (item: Item) => (item.section ? (order.get(item.section) ?? Infinity) : -1);
    return data.items
      .filter((item) => rank(item) !== Infinity)
      .sort((a, b) => rank(a) - rank(b) || compareOrder(a, b));
  }, [data.items, order]);
  return { items, complete: !next, change, renew, anew };
}

/** Newer items take the place of those with the same id; the others are added. */
function merge(old: readonly Item[], newer: readonly Item[]): Item[] {
  const byId = new Map([...old, ...newer].map((item) => [item.id, item]));
  return [...byId.values()];
}
