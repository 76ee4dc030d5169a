/**
 * How alike two pieces of text are, from 0 to 1: twice the pairs of neighbouring characters they share, by all they have
 * (Dice 1945, over bigrams). Two that are empty are alike.
 */
export function likeness(one: string, other: string): number {
  if (one === other) return 1;
  if (one.length < 2 || other.length < 2) return 0;
  const counts = new Map<number, number>();
  const pair = (text: string, i: number) => text.charCodeAt(i) * 0x10000 + text.charCodeAt(i + 1);
  for (let i = 0; i + 1 < one.length; i++) {
    const key = pair(one, i);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  let shared = 0;
  for (let i = 0; i + 1 < other.length; i++) {
    const key = pair(other, i);
    const left = counts.get(key) ?? 0;
    if (!left) continue;
    counts.set(key, left - 1);
    shared++;
  }
  return (2 * shared) / (one.length + other.length - 2);
}
