import { useSyncExternalStore } from "react";

const never = () => () => undefined;
/** Where the reader is; the server, which does not know, says days by UTC at first. */
export const useZone = () =>
  useSyncExternalStore<string | undefined>(
    never,
    () => undefined,
    () => "UTC",
  );
export const dayIn = (at: string, timeZone?: string) =>
  new Date(at).toLocaleDateString("en-GB", {
    weekday: "long",
    day: "numeric",
    month: "long",
    year: "numeric",
    timeZone,
  });
export const timeIn = (at: string, timeZone?: string) =>
  new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });
