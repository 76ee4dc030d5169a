import loadHighs from "highs";
import { type Best, bestChoice } from "@/core/fit/best";
import type { Candidate, Wishes } from "@/core/fit/choice";
import { otherwiseBy } from "@/core/fit/why";

/** Laid out with the application, under the hash of what is in it. */
const SOLVER = new URL("../../node_modules/highs/build/highs.wasm", import.meta.url).href;

/** What stays, by their ids. */
type Chosen = Omit<Best, "chosen"> & { chosen: string[] | null };
export type FitRequest = {
  candidates: Candidate[];
  wishes: Wishes;
  /** A choice that holds, to begin with. */
  start: string[] | null;
  seconds: number;
};
/** The best choice, and then the best that differs from it. */
export type FitAnswer = { first: Chosen } | { second: Chosen };

const idsOf = ({ chosen, ...rest }: Best): Chosen => ({
  ...rest,
  chosen: chosen && chosen.map(({ id }) => id),
});

self.onmessage = async ({ data }: MessageEvent<FitRequest>) => {
  const { candidates, wishes, start, seconds } = data;
  const highs = await loadHighs({ locateFile: () => SOLVER });
  const begin = start && candidates.filter(({ id }) => start.includes(id));
  const first = bestChoice(highs, candidates, wishes, { seconds, start: begin });
  self.postMessage({ first: idsOf(first) } satisfies FitAnswer);
  const than = first.chosen;
  if (!than) return;
  const second = bestChoice(highs, candidates, wishes, {
    seconds,
    otherwise: { than, by: otherwiseBy(than) },
  });
  self.postMessage({ second: idsOf(second) } satisfies FitAnswer);
};
