"use client";

import { skipToken, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo } from "react";
import { compareOrder } from "@/core/order/place";
import type { Answer } from "@/services/registry";
import { ask, isUnderWay, settled } from "../../talk/call";
import { itemReadings, type Kept } from "./item-readings";
import type { Item, Section } from "./types";

type Cached = Kept<Item, NonNullable<Answer<"collections.items">["next"]>>;

/**
 * The items of a collection in order: those that came with the page, then the rest page by page in the background.
 * `change` shows something at once; `renew` reads again what was said to have changed, `reload` all of it.
 */
export function useItems(collection: string, first: Cached, sections: Section[]) {
  const client = useQueryClient();
  const key = useMemo(() => ["items", collection], [collection]);
  const { data = first } = useQuery<Cached>({ queryKey: key, queryFn: skipToken, initialData: first });
  const { change, more, whole, renew } = useMemo(
    () =>
      itemReadings<Item, NonNullable<Cached["next"]>>({
        shown: () => client.getQueryData<Cached>(key) ?? { items: [], next: null },
        // What is answered when the Bench was left long ago is shown nowhere.
        show: (kept) => client.setQueryData<Cached>(key, (cached) => cached && kept),
        page: (after) => ask("collections.items", { collection, ...(after && { after: placeOf(after) }) }),
        some: async (placements, resources) =>
          (await ask("collections.some-items", { collection, placements, resources })).items,
        isUnderWay,
        settled,
      }),
    [client, key, collection],
  );

  const { next } = data;
  useEffect(() => {
    if (next) more().catch(() => undefined);
  }, [more, next]);

  // Once more, because nothing else would say that something is missing.
  const reload = useCallback(
    () =>
      void whole()
        .catch(whole)
        .catch(() => undefined),
    [whole],
  );

  const order = useMemo(() => new Map(sections.map((section, i) => [section.id, i])), [sections]);
  const items = useMemo(() => {
    const rank = (item: Item) => (item.section ? (order.get(item.section) ?? Infinity) : -1);
    return data.items
      .filter((item) => rank(item) !== Infinity)
      .sort((a, b) => rank(a) - rank(b) || compareOrder(a, b));
  }, [data.items, order]);
  return { items, complete: !next, change, renew, reload };
}

const placeOf = ({ section, position, id }: NonNullable<Cached["next"]>): string =>
  `${section}~${position}~${id}`;
