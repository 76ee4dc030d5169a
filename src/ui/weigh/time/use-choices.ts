"use client";

import { useEffect, useMemo, useState } from "react";
import type { Best } from "@/core/fit/best";
import type { Candidate, Wishes } from "@/core/fit/choice";
import { chooseAtOnce } from "@/core/fit/greedy";
import type { FitAnswer, FitRequest } from "@/workers/fit";

/** So long each choice is looked for. */
export const SECONDS = 10;

/** What is proposed: at once, and as soon as it is known the best and another one. */
export type Choices = {
  /** null: none was found at once. */
  atOnce: Candidate[] | null;
  first: Best | null;
  second: Best | null;
  /** The solver could not be used. */
  failed: boolean;
};

type Known = { of: Candidate[]; wishes: Wishes; first: Best | null; second: Best | null; failed: boolean };

/**
 * What can stay within what is wished, computed in a worker.
 * @param candidates the same object as long as they are the same; null: nothing is asked yet
 * @param wishes the same
 */
export function useChoices(candidates: Candidate[] | null, wishes: Wishes): Choices | null {
  const [known, setKnown] = useState<Known | null>(null);
  const atOnce = useMemo(() => candidates && chooseAtOnce(candidates, wishes), [candidates, wishes]);
  useEffect(() => {
    if (!candidates) return;
    const worker = new Worker(new URL("@/workers/fit.ts", import.meta.url), { type: "module" });
    const put = (change: Partial<Known>) =>
      setKnown((old) => ({
        ...(old?.of === candidates && old.wishes === wishes
          ? old
          : { of: candidates, wishes, first: null, second: null, failed: false }),
        ...change,
      }));
    const best = ({ chosen, ...rest }: { chosen: string[] | null } & Omit<Best, "chosen">): Best => {
      const kept = new Set(chosen);
      return { ...rest, chosen: chosen && candidates.filter(({ id }) => kept.has(id)) };
    };
    worker.onmessage = ({ data }: MessageEvent<FitAnswer>) =>
      put("first" in data ? { first: best(data.first) } : { second: best(data.second) });
    worker.onerror = () => put({ failed: true });
    const start = chooseAtOnce(candidates, wishes);
    worker.postMessage({
      ...{ candidates, wishes, seconds: SECONDS },
      start: start && start.map(({ id }) => id),
    } satisfies FitRequest);
    return () => worker.terminate();
  }, [candidates, wishes]);
  if (!candidates) return null;
  const now = known?.of === candidates && known.wishes === wishes ? known : null;
  return {
    atOnce,
    first: now?.first ?? null,
    second: now?.second ?? null,
    failed: now?.failed ?? false,
  };
}
