import { sayNames } from "../groups/say-names";

/** As much of a suggestion as says how it stands in a collection. */
export type Taken = { id: string; name: string; title: string; why: string };

/** Things that are one: what several suggested stands once. */
export type Together<T extends Taken> = { key: string; given: T[]; title: string; context: string };

const LONGEST = 4_000;

/**
 * What was suggested, each once, with why it belongs there and, with thanks, by whom.
 * @param given in the order in which it came
 * @param keyOf what is the same has the same key
 * @param thanks whether names stand in the context line
 * @example
 * takenTogether([{ id, name: "Ada", title: "", why: "A clear picture." }], keyOf, true)[0].context; // "A clear picture.\nSuggested by Ada."
 */
export function takenTogether<T extends Taken>(
  given: readonly T[],
  keyOf: (one: T) => string,
  thanks: boolean,
): Together<T>[] {
  const all = new Map<string, T[]>();
  for (const one of given) {
    const key = keyOf(one);
    const there = all.get(key);
    if (there) there.push(one);
    else all.set(key, [one]);
  }
  return [...all].map(([key, ones]) => {
    const names = [...new Set(ones.map(({ name }) => name))];
    const why = [...new Set(ones.map((one) => one.why).filter(Boolean))];
    const who = thanks ? [`Suggested by ${sayNames(names)}.`] : [];
    // Their names stay whole, however long what they said is.
    const room = LONGEST - who.join("").length - 1;
    const context = [why.join("\n").slice(0, room), ...who].filter(Boolean).join("\n");
    return { key, given: ones, title: ones.find(({ title }) => title)?.title ?? "", context };
  });
}
