import loadHighs from "highs";
import { drawing } from "@/core/appraise/agreement/random";
import { bestChoice } from "@/core/fit/best";
import { minutesOfAll } from "@/core/fit/choice";
import { drawnCandidates } from "@/core/fit/drawn";
import { chooseAtOnce } from "@/core/fit/greedy";
import { otherwiseBy } from "@/core/fit/why";
import { type Figure, median, timed } from "./figures";

const [THINGS, OUTCOMES, CASES] = [200, 30, 15];

/** What it costs to choose what stays within the time, and a second way that differs. */
export async function* measureFitting(): AsyncGenerator<Figure> {
  const highs = await loadHighs();
  const [atOnce, first, second]: number[][] = [[], [], []];
  let proven = true;
  for (let i = 0; i < CASES; i++) {
    const candidates = drawnCandidates(THINGS, OUTCOMES, drawing(i + 1));
    const must = minutesOfAll(candidates.filter(({ stays }) => stays));
    const wishes = { minutes: must + 60 + 40 * i, ofASite: 2, playing: 50, level: 55 };
    const started: { start: ReturnType<typeof chooseAtOnce> } = { start: null };
    atOnce!.push(await timed(async () => void (started.start = chooseAtOnce(candidates, wishes))));
    let best = bestChoice(highs, candidates, wishes, { seconds: 0.01 });
    first!.push(
      await timed(
        async () => void (best = bestChoice(highs, candidates, wishes, { seconds: 10, ...started })),
      ),
    );
    proven &&= best.proven;
    const than = best.chosen;
    if (!than) continue;
    const otherwise = { than, by: otherwiseBy(than) };
    second!.push(
      await timed(
        async () => void (best = bestChoice(highs, candidates, wishes, { seconds: 10, otherwise })),
      ),
    );
    proven &&= best.proven;
  }
  const longest = Math.max(...first!, ...second!);
  yield {
    what: `What stays of ${THINGS} things that serve ${OUTCOMES} outcomes, ${CASES} drawn cases: found at once; the best, and another way, the longest of all; all proven`,
    measured: `${median(atOnce!).toFixed(0)} ms; ${longest.toFixed(0)} ms, median ${median([...first!, ...second!]).toFixed(0)} ms; ${proven ? "yes" : "no"}`,
    aim: "proven under 4 s",
    met: proven && longest < 4_000,
  };
}
