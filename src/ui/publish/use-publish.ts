"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { reloads } from "@/core/history/verbs";
import type { Audience, Reach } from "@/core/publish/model";
import type { Answer } from "@/services/registry";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { useLive } from "../talk/use-live";

/** What readers may see something of. */
const SEEN = ["item", "items", "list", "head", "tree", "resource"] as const;

export type Shared = Answer<"share.read">;
export type Looked = Answer<"share.look-over">;
export type AllEditions = Answer<"editions.read">;

/** The newest edition that readers are given. */
export const newestOf = (all: AllEditions | undefined) => all?.editions.find((one) => !one.withdrawnAt);

/** What somebody wishes for, before it is so. `until` is a day in their own calendar, or empty. */
export type Wish = { audience: Audience; reach: Reach; until: string };

/** The day of a moment where the person is. */
export const dayOf = (moment: string | Date | null): string => {
  if (!moment) return "";
  const day = new Date(moment);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
};
/** The last moment of a day there. */
export const endOf = (day: string): string | null => (day ? new Date(`${day}T23:59:59`).toISOString() : null);

/** What somebody would most likely wish: who publishes a course means the course. */
const firstWish = ({ audience, reach, until }: Shared): Wish => ({
  audience: audience === "team" ? "link" : audience,
  reach: audience === "team" ? "all" : reach,
  until: dayOf(until),
});

/** Who sees a collection, what one would like instead, and what would be noticed before it goes out. */
export function usePublish(team: string, collection: string, first: Shared) {
  const client = useQueryClient();
  const shared = useQuery({
    queryKey: ["shared", collection],
    queryFn: () => ask("share.read", { collection }),
    initialData: first,
  }).data as Shared;
  const [wish, setWish] = useState(() => firstWish(shared));
  const [drawn, setDrawn] = useState(0);
  const looked = useQuery({
    queryKey: ["look-over", collection, wish.reach],
    queryFn: () => ask("share.look-over", { collection, reach: wish.reach }),
    placeholderData: (before: Looked | undefined) => before,
  }).data as Looked | undefined;
  const editions = useQuery({
    queryKey: ["editions", collection],
    queryFn: () => ask("editions.read", { collection }),
  }).data as AllEditions | undefined;
  const again = async () => {
    setDrawn((n) => n + 1);
    await Promise.all(
      ["shared", "look-over", "editions", "editions-since"].map((key) =>
        client.invalidateQueries({ queryKey: [key, collection] }),
      ),
    );
  };
  useLive(team, {
    // Who is where changes nothing of what readers see.
    onEvents: (events) => events.some((event) => reloads(event, ...SEEN)) && void again(),
    onReload: () => void again(),
  });
  useEffect(() => {
    // Who came back by another way may find other things than were kept here.
    void client.invalidateQueries({ queryKey: ["look-over", collection] });
  }, [client, collection]);

  const isOut = shared.audience !== "team";
  const isOther =
    wish.audience !== shared.audience ||
    (isOut && (wish.reach !== shared.reach || wish.until !== dayOf(shared.until)));
  /** Makes it as it is wished. @returns the code in its address; null when nobody outside sees it */
  const publish = async (): Promise<string | null> => {
    if (!isOther) return shared.code;
    const { audience, reach, until } = wish;
    const done = await call("share.set", { collection, audience, reach, until: endOf(until) });
    // What stands on a board has its code from the first moment on.
    if (done.code && !isOut) await call("codes.make", { collection });
    await again();
    return done.code;
  };
  /** Does something else, and shows what came of it. */
  const doing = <T>(work: Promise<T>): Promise<T | undefined> =>
    work.then(
      async (done) => (await again(), done),
      (error) => (sayFailure(error), undefined),
    );
  return { editions, shared, wish, setWish, looked, drawn, isOut, isOther, publish, doing, again };
}
