import type { TrayState } from "@/core/tray/states";

/** What undo calls it. @param what something, or how many */
export const SAID: Record<TrayState, (what: string) => string> = {
  waiting: (what) => `let ${what} wait in the Tray`,
  looked: (what) => `looked at ${what}`,
  use: (what) => `keep ${what} for a use`,
  away: (what) => `put ${what} away`,
};
