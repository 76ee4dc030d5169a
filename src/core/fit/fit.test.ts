import loadHighs from "highs";
import { expect, test } from "vitest";
import { drawing } from "../appraise/agreement/random";
import { bestChoice } from "./best";
import { type Candidate, holds, minutesOfAll, valueOf, type Wishes } from "./choice";
import { chooseAtOnce } from "./greedy";
import { drawnCandidates } from "./drawn";
import { otherwiseBy, whyTheyGo } from "./why";

const thing = (id: string, minutes: number, rest: Partial<Candidate> = {}): Candidate => ({
  ...{ id, minutes, stays: false, plays: false, site: "", lix: null, serves: [], judged: null },
  ...rest,
});
const all = (minutes: number): Wishes => ({ minutes, ofASite: null, playing: null, level: null });
const serving = (...outcomes: string[]) => outcomes.map((outcome) => ({ outcome, full: true }));
const ids = (chosen: readonly Candidate[] | null) => chosen?.map(({ id }) => id) ?? null;

/** Every choice there is, tried. */
function bestOfAll(candidates: readonly Candidate[], wishes: Wishes): number | null {
  let best: number | null = null;
  for (let mask = 0; mask < 1 << candidates.length; mask++) {
    const chosen = candidates.filter((_, i) => mask & (1 << i));
    if (holds(candidates, chosen, wishes)) best = Math.max(best ?? -1, valueOf(candidates, chosen));
  }
  return best;
}

test("the best choice is the best of all there are, whatever is wished, and what is found at once holds", async () => {
  const highs = await loadHighs();
  const random = drawing(7);
  let [none, better] = [0, 0];
  for (let run = 0; run < 60; run++) {
    const candidates = drawnCandidates(11, 4, random);
    const pick = <T>(...some: T[]): T => some[Math.floor(random() * some.length)]!;
    const wishes: Wishes = {
      minutes: 20 + Math.floor(random() * 100),
      ofASite: pick(null, 1, 2),
      playing: pick(null, 33, 50),
      level: pick(null, 45),
    };
    const wanted = bestOfAll(candidates, wishes);
    const found = bestChoice(highs, candidates, wishes, { seconds: 10 });
    const atOnce = chooseAtOnce(candidates, wishes);
    expect(found.proven).toBe(true);
    if (wanted === null) {
      none++;
      expect([found.chosen, atOnce]).toEqual([null, null]);
      continue;
    }
    expect(holds(candidates, found.chosen!, wishes)).toBe(true);
    expect(valueOf(candidates, found.chosen!)).toBe(wanted);
    if (!atOnce) continue;
    expect(holds(candidates, atOnce, wishes)).toBe(true);
    if (valueOf(candidates, atOnce) < wanted) better++;
    // Begun with what was found at once it ends where it ends by itself.
    const again = bestChoice(highs, candidates, wishes, { seconds: 10, start: atOnce });
    expect(valueOf(candidates, again.chosen!)).toBe(wanted);
  }
  // Both happen, or nothing was tested.
  expect(none).toBeGreaterThan(0);
  expect(better).toBeGreaterThan(5);
});

test("a second choice differs by as much as was asked, and none other that does is better", async () => {
  const highs = await loadHighs();
  const random = drawing(11);
  for (let run = 0; run < 12; run++) {
    const candidates = drawnCandidates(10, 3, random);
    const wishes = all(minutesOfAll(candidates.filter(({ stays }) => stays)) + 60);
    const first = bestChoice(highs, candidates, wishes, { seconds: 10 }).chosen!;
    const by = otherwiseBy(first);
    const second = bestChoice(highs, candidates, wishes, { seconds: 10, otherwise: { than: first, by } });
    const apart = (chosen: readonly Candidate[]) =>
      candidates.filter((one) => chosen.includes(one) !== first.includes(one)).length;
    let best: number | null = null;
    for (let mask = 0; mask < 1 << candidates.length; mask++) {
      const chosen = candidates.filter((_, i) => mask & (1 << i));
      if (holds(candidates, chosen, wishes) && apart(chosen) >= by)
        best = Math.max(best ?? -1, valueOf(candidates, chosen));
    }
    expect(second.chosen && valueOf(candidates, second.chosen)).toBe(best);
  }
});

test("an outcome is not given for things, what must stay stays, and what is too hard goes", async () => {
  const highs = await loadHighs();
  const candidates = [
    thing("long, alone serves b", 40, { serves: serving("b") }),
    thing("short", 10, { judged: 1 }),
    thing("shorter", 8, { judged: 1 }),
    thing("must", 5, { stays: true, lix: 70 }),
    thing("hard", 1, { lix: 70 }),
  ];
  const { chosen } = bestChoice(highs, candidates, { ...all(50), level: 50 }, { seconds: 10 });
  expect(ids(chosen)).toEqual(["long, alone serves b", "must"]);
  expect(
    whyTheyGo(candidates, chosen!, { ...all(50), level: 50 }).map(({ candidate, why }) => [
      candidate.id,
      why,
    ]),
  ).toEqual([
    ["short", "no time"],
    ["shorter", "no time"],
    ["hard", "too hard"],
  ]);
});

test("why something goes is what it would break, and which outcomes are served by nothing then", () => {
  const candidates = [
    thing("a", 10, { site: "moor.example" }),
    thing("b", 10, { site: "moor.example", serves: serving("x") }),
    thing("film", 30, { plays: true }),
  ];
  const why = whyTheyGo(candidates, [candidates[0]!], { ...all(100), ofASite: 1, playing: 50 });
  expect(why.map(({ why, misses }) => [why, misses])).toEqual([
    ["enough of its site", ["x"]],
    ["enough is played", []],
  ]);
});

test("when what must stay is too much already nothing is proposed", async () => {
  const highs = await loadHighs();
  const candidates = [thing("a", 30, { stays: true }), thing("b", 30, { stays: true })];
  expect(chooseAtOnce(candidates, all(50))).toBeNull();
  expect(bestChoice(highs, candidates, all(50), { seconds: 10 })).toMatchObject({
    chosen: null,
    proven: true,
  });
});
