import type { TeamRow } from "../../shell/who";
import type { Mark, useMarks } from "./use-marks";

/** The marks of a thing wherever they are shown: whose screen it is, which of them, and the one that is chosen. */
export type MarksShown = {
  me: string;
  team: TeamRow;
  marks: ReturnType<typeof useMarks>;
  /** Those that are shown: by whom, and what they mean. */
  shown: readonly Mark[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
};
