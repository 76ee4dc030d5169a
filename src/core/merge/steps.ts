/** How many steps it takes at the worst to compare two lists: pairs of equal parts times the shorter length. */
export function stepsOf(one: readonly string[], other: readonly string[]): number {
  const times = new Map<string, number>();
  for (const part of one) times.set(part, (times.get(part) ?? 0) + 1);
  const pairs = other.reduce((sum, part) => sum + (times.get(part) ?? 0), 0);
  return pairs * Math.min(one.length, other.length);
}
