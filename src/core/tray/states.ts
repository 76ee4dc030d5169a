/** What becomes of what waits. What is placed is in no list of the Tray any more. */
export const TRAY_STATES = ["waiting", "looked", "use", "away"] as const;
export type TrayState = (typeof TRAY_STATES)[number];

/** What waits for longer than so many days could be put away. */
export const OLD_DAYS = 90;

export const TRAY_WORDS: Record<TrayState, string> = {
  waiting: "Waiting",
  looked: "Looked at",
  use: "Still to use",
  away: "Put away",
};
