"use client";

import { useSyncExternalStore } from "react";

const say = (moment: string | Date, zone?: string) =>
  new Date(moment).toLocaleDateString("en-GB", { dateStyle: "long", timeZone: zone });
const never = () => () => undefined;

/** The day of a moment where the person is; the server, which does not know where that is, says it by UTC at first. */
export function Day({ of }: { of: string | Date }) {
  const words = useSyncExternalStore(
    never,
    () => say(of),
    () => say(of, "UTC"),
  );
  return <time dateTime={new Date(of).toISOString()}>{words}</time>;
}
