"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef } from "react";
import { compareOrder } from "@/core/order/place";
import type { Answer } from "@/services/registry";
import { call } from "../talk/call";

export type Item = Answer<"collections.items">["items"][number] & { pending?: boolean };
export type Section = Answer<"collections.read">["sections"][number];
/** Items read again at once. */
const MOST = 200;
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

  // When each item was last changed here, counted, so that an answer asked for earlier does not take it back.
  const changes = useRef({ count: 0, at: new Map<string, number>() });
  const change = useCallback(
    (how: (items: Item[]) => Item[]) => {
      const kept = client.getQueryData<Kept>(key);
      if (!kept) return;
      const items = how(kept.items);
      const before = new Set(kept.items);
      changes.current.count++;
      for (const item of items) if (!before.has(item)) changes.current.at.set(item.id, changes.current.count);
      client.setQueryData<Kept>(key, { ...kept, items });
    },
    [client, key],
  );

  // One reading at a time: two at once may be answered in the wrong order, and the older would stay.
  const asked = useRef({ placements: new Set<string>(), resources: new Set<string>(), reading: false });
  const renew = useCallback(
    async (placements: string[], resources: string[]) => {
      const wanted = asked.current;
      for (const id of placements) wanted.placements.add(id);
      for (const id of resources) wanted.resources.add(id);
      if (wanted.reading) return;
      wanted.reading = true;
      try {
        while (wanted.placements.size || wanted.resources.size) {
          const ids = [...wanted.placements].slice(0, MOST);
          const here = new Set(client.getQueryData<Kept>(key)?.items.map((item) => item.resource.id));
          const known = [...wanted.resources].filter((id) => here.has(id)).slice(0, MOST);
          for (const id of ids) wanted.placements.delete(id);
          for (const id of wanted.resources)
            if (known.includes(id) || !here.has(id)) wanted.resources.delete(id);
          if (!ids.length && !known.length) continue;
          const start = changes.current.count;
          const { items } = await call("collections.some-items", {
            collection,
            placements: ids,
            resources: known,
          });
          const isLater = (id: string) => (changes.current.at.get(id) ?? 0) > start;
          for (const id of [...ids, ...items.map((item) => item.id)])
            if (isLater(id)) wanted.placements.add(id);
          const found = new Set(items.map((item) => item.id));
          client.setQueryData<Kept>(
            key,
            (kept) =>
              kept && {
                ...kept,
                items: merge(
                  kept.items.filter(
                    (item) => !ids.includes(item.id) || found.has(item.id) || isLater(item.id),
                  ),
                  items.filter((item) => !isLater(item.id)),
                ),
              },
          );
        }
      } finally {
        wanted.reading = false;
      }
    },
    [client, key, collection],
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
