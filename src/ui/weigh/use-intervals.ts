"use client";

import { useEffect, useState } from "react";
import type { Level } from "@/core/appraise/agreement/alpha";
import type { Values } from "@/core/appraise/agreement/values";
import type { IntervalAnswer, IntervalRequest } from "@/workers/agreement";

/** So often things are drawn anew. */
const DRAWS = 2_000;

/**
 * Between which α of each question lies with 95 of 100, computed in a worker.
 * @param questions what was said, question by question; the same object as long as it is the same
 * @returns null until it is known
 */
export function useIntervals(questions: Values[], level: Level): ([number, number] | null)[] | null {
  const [known, setKnown] = useState<{
    of: Values[];
    level: Level;
    intervals: IntervalAnswer["intervals"];
  } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("@/workers/agreement.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<IntervalAnswer>) =>
      setKnown({ of: questions, level, intervals: data.intervals });
    worker.postMessage({ questions, level, draws: DRAWS } satisfies IntervalRequest);
    return () => worker.terminate();
  }, [questions, level]);
  return known?.of === questions && known.level === level ? known.intervals : null;
}
