import type { Quote } from "@/core/marks/selectors";
import type { Mark, Meaning } from "../marks/use-marks";

/** What is marked on the pages of a PDF, and what can be done with it there. */
export type PdfMarks = {
  shown: readonly Mark[];
  meanings: readonly Meaning[];
  chosen: string | null;
  onChoose: (id: string | null) => void;
  /** Whether a part of a page is being marked. */
  marking: boolean;
  onMade: (fragment: string) => void;
  onLeave: () => void;
  /** Words of a page are marked. */
  onWords: (quote: Quote, page: number, meaning: string | null) => void;
  /** For whom marks are made, and what changes that. */
  alone: boolean;
  onAlone: ((alone: boolean) => void) | null;
};
