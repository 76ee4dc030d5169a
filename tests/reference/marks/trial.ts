import { MarkedText } from "@/core/marks/place";
import { quoteAt } from "@/core/marks/selectors";
import { TEXTS } from "./texts";

/** Numbers from 0 to 1 that are the same each time (mulberry32, from memory). */
export function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** What a text is changed by: words, or in writing without blanks two characters. */
const unitsOf = (text: string): string[] =>
  text.match(/[\u3000-\u9fff]{1,2}|[^\s\u3000-\u9fff]+\s*/gu)?.map((unit) => unit) ?? [];

/** Sentences of the same words, drawn as often as they stand in the text, that say nothing. */
const chaff = (units: readonly string[], count: number, draw: () => number): string[] =>
  Array.from({ length: count }, () => units[Math.floor(draw() * units.length)]!);

export type Outcome = { right: number; wrong: number; lost: number };

/**
 * Marks passages in a page, changes the page, and looks where they are placed. The page is the text within others of the
 * same words; of the units in it a share is replaced, left out or given a new neighbour, the parts before and behind it
 * change places, and its frame is another one.
 * @param length how many units a passage has, from and to
 * @param share of the units that are changed
 */
export function trial(
  language: string,
  length: readonly [number, number],
  share: number,
  rounds: number,
): Outcome {
  const draw = numbers(7);
  const units = unitsOf(TEXTS[language]!);
  const outcome: Outcome = { right: 0, wrong: 0, lost: 0 };
  for (let round = 0; round < rounds; round++) {
    const [first, last] = [chaff(units, 400, draw), chaff(units, 400, draw)];
    const count = length[0] + Math.floor(draw() * (length[1] - length[0] + 1));
    const at = Math.floor(draw() * (units.length - count));
    const head = `Home News Contact ${first.join("")}\n`;
    const start = head.length + units.slice(0, at).join("").length;
    const marked = units
      .slice(at, at + count)
      .join("")
      .trimEnd();
    const quote = quoteAt(`${head}${units.join("")}\n${last.join("")}`, start, start + marked.length);
    const newHead = `Menu Search ${last.join("")}\n`;
    const later = changed(units, [at, at + count], share, draw);
    const text = `${newHead}${later.text}\n${first.join("")} Imprint`;
    const place = new MarkedText(text).place(quote, start);
    if (!place) outcome.lost++;
    else {
      const [from, to] = [newHead.length + later.from, newHead.length + later.to];
      const shared = Math.max(0, Math.min(place.end, to) - Math.max(place.start, from));
      const all = Math.max(place.end, to) - Math.min(place.start, from);
      outcome[shared / all >= 0.5 ? "right" : "wrong"]++;
    }
  }
  return outcome;
}

/** The units with a share of them changed, and where what is left of the passage stands then. */
function changed(
  units: readonly string[],
  [first, end]: [number, number],
  share: number,
  draw: () => number,
) {
  let text = "";
  let [from, to] = [-1, -1];
  units.forEach((unit, i) => {
    const how = draw() < share ? Math.floor(draw() * 3) : -1;
    const other = units[Math.floor(draw() * units.length)]!;
    const isIn = i >= first && i < end;
    if (how === 2) text += other;
    const written = how === 0 ? other : how === 1 ? "" : unit;
    if (isIn && written && from < 0) from = text.length;
    text += written;
    if (isIn && written) to = text.trimEnd().length;
  });
  return { text, from, to };
}
