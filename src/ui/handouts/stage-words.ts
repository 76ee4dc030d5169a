import type { Stage } from "@/core/handouts/stage";

/** How far somebody is, in words. */
export const STAGE_WORDS: Record<Stage, string> = {
  unopened: "Not opened",
  opened: "Opened",
  begun: "Begun",
  "handed-in": "Handed in",
  "looked-at": "Looked at",
};
