import { clothSvg, weave, type Yarn } from "@/core/cover/weave";
import { KINDS } from "@/core/page/facts";
import { type Figure, median } from "./figures";

const TAGS = ["moss", "water table", "fire", "fen", "peat core", "birds", "dams"];
/** Items of all kinds, lengths and tags, the same each time. */
const yarns = (count: number): Yarn[] =>
  Array.from({ length: count }, (_, i) => ({
    kind: KINDS[(i * 7 + (i >> 2)) % KINDS.length]!,
    minutes: 1 + ((i * 13) % 41),
    tag: TAGS[(i * 5) % TAGS.length]!,
  }));
const SIZES = [
  [264, 96],
  [24, 24],
  [1_200, 56],
] as const;

/** What it takes to weave the cloth of a collection and how large its drawing is, the largest of those there may be. */
export function measureCloth(): Promise<Figure[]> {
  const some = [3, 14, 64, 300].map(yarns);
  const times: number[] = [];
  let bytes = 0;
  for (let round = 0; round < 40; round++)
    for (const items of some)
      for (const [width, height] of SIZES) {
        const from = performance.now();
        const drawn = clothSvg(weave(items, TAGS, width, height));
        if (round > 4) times.push(performance.now() - from);
        if (width === 264) bytes = Math.max(bytes, Buffer.byteLength(drawn));
      }
  const middle = median(times);
  const slowest = Math.max(...times);
  return Promise.resolve([
    {
      what: "Weaving the cloth of 3 to 300 items at 24 to 1,200 pixels, median and slowest of 420",
      measured: `${middle.toFixed(2)} ms, ${slowest.toFixed(2)} ms`,
      aim: "median under 2 ms",
      met: middle < 2,
    },
    {
      what: "Its drawing at the size of a card (264 by 96), the largest",
      measured: `${(bytes / 1000).toFixed(1)} kB`,
      aim: "under 6 kB",
      met: bytes < 6_000,
    },
  ]);
}
