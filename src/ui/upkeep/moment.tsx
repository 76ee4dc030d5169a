"use client";

import { useSyncExternalStore } from "react";

const say = (at: string | Date, zone?: string) =>
  new Date(at).toLocaleString("en-GB", {
    ...{ day: "numeric", month: "short", year: "numeric", hour: "2-digit", minute: "2-digit" },
    timeZone: zone,
  });
const never = () => () => undefined;

/** A moment where the person is; the server, which does not know where that is, says it by UTC at first. */
export function Moment({ at }: { at: string | Date }) {
  const words = useSyncExternalStore(
    never,
    () => say(at),
    () => say(at, "UTC"),
  );
  return <time dateTime={new Date(at).toISOString()}>{words}</time>;
}
