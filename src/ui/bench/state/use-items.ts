"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { hear, ownChanges } from "@/core/list/own-changes";
import { compareOrder } from "@/core/order/place";
import type { Answer } from "@/services/registry";
import { call, isUnderWay, settled } from "../../talk/call";
import type { Item, Section } from "./types";

/** Items read again at once. */
const MOST = 200;
type Cached = { items: Item[]; next: Answer<"collections.items">["next"] };

/**
 * The items of a collection in order: those that came with the page, then the rest page by page in the background.
 * `change` shows something at once; `renew` reads again what was said to have changed.
 */
export function useItems(collection: string, first: Cached, sections: Section[]) {
  const client = useQueryClient();
  const key = useMemo(() => ["items", collection], [collection]);
  const [own] = useState(ownChanges<Item>);
  const { data } = useQuery<Cached>({
    queryKey: key,
    // Only read again as a whole, and shown as a whole: a list that is short for a moment throws everybody to its end.
    queryFn: async () => {
      await settled();
      const isLater = own.asking(isUnderWay());
      let page = await call("collections.items", { collection });
      const items = [...page.items];
      while (page.next) {
        page = await call("collections.items", { collection, after: placeOf(page.next) });
        items.push(...page.items);
      }
      const here = client.getQueryData<Cached>(key)?.items ?? [];
      return { items: hear(here, items, "all", isLater), next: null };
    },
    initialData: first,
    staleTime: Infinity,
  });

  const { next } = data;
  useEffect(() => {
    if (!next) return;
    let gone = false;
    const isLater = own.asking(isUnderWay());
    call("collections.items", { collection, after: placeOf(next) })
      .then((page) => {
        if (!gone)
          client.setQueryData<Cached>(key, (cached) => ({
            items: hear(cached!.items, page.items, [], isLater),
            next: page.next,
          }));
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [client, collection, key, next, own]);

  const change = useCallback(
    (how: (items: Item[]) => Item[]) => {
      const cached = client.getQueryData<Cached>(key);
      if (!cached) return;
      const items = how(cached.items);
      own.note(cached.items, items);
      client.setQueryData<Cached>(key, { ...cached, items });
    },
    [client, key, own],
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
          const here = new Set(client.getQueryData<Cached>(key)?.items.map((item) => item.resource.id));
          const known = [...wanted.resources].filter((id) => here.has(id)).slice(0, MOST);
          for (const id of ids) wanted.placements.delete(id);
          for (const id of wanted.resources)
            if (known.includes(id) || !here.has(id)) wanted.resources.delete(id);
          if (!ids.length && !known.length) continue;
          const isLater = own.asking(isUnderWay());
          const { items } = await call("collections.some-items", {
            collection,
            placements: ids,
            resources: known,
          });
          const held = [...new Set([...ids, ...items.map((item) => item.id)])].filter(isLater);
          client.setQueryData<Cached>(
            key,
            (cached) => cached && { ...cached, items: hear(cached.items, items, ids, isLater) },
          );
          if (!held.length) continue;
          // What others did to these is seen once what was done here has arrived.
          for (const id of held) wanted.placements.add(id);
          await settled();
        }
      } finally {
        wanted.reading = false;
      }
    },
    [client, key, collection, own],
  );
  const reload = useCallback(() => client.invalidateQueries({ queryKey: key }), [client, key]);

  const order = useMemo(() => new Map(sections.map((section, i) => [section.id, i])), [sections]);
  const items = useMemo(() => {
    const rank = (item: Item) => (item.section ? (order.get(item.section) ?? Infinity) : -1);
    return data.items
      .filter((item) => rank(item) !== Infinity)
      .sort((a, b) => rank(a) - rank(b) || compareOrder(a, b));
  }, [data.items, order]);
  return { items, complete: !next, change, renew, reload };
}

const placeOf = ({ section, position, id }: NonNullable<Cached["next"]>) => `${section}~${position}~${id}`;
