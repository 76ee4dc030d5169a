import { alphaInterval } from "@/core/appraise/agreement/bootstrap";
import type { Level } from "@/core/appraise/agreement/alpha";
import { drawing } from "@/core/appraise/agreement/random";
import type { Values } from "@/core/appraise/agreement/values";

/** How firm α of each question is. */
export type IntervalRequest = { questions: Values[]; level: Level; draws: number };
export type IntervalAnswer = { intervals: ([number, number] | null)[] };

/** Any number does; always the same one, so that nobody looks twice to get what they like better. */
const SEED = 20_260_301;

self.onmessage = ({ data }: MessageEvent<IntervalRequest>) => {
  const { questions, level, draws } = data;
  const intervals = questions.map((values) => alphaInterval(values, level, { draws, random: drawing(SEED) }));
  self.postMessage({ intervals } satisfies IntervalAnswer);
};
