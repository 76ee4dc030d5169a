/**
 * Which of those that stand in both orders stand elsewhere among one another now; as few as possible, so that one who was
 * carried to the end is named, and not all it went past. (The rest is a longest increasing subsequence: Schensted 1961.)
 * @param before ids in their order, each once
 * @param after the same or others, each once
 */
export function movedAmong(before: readonly string[], after: readonly string[]): Set<string> {
  const rank = new Map(before.map((id, i) => [id, i]));
  const common = after.filter((id) => rank.has(id));
  /** Of each length the run that ends lowest: by the place of its last one in `common`. */
  const ends: number[] = [];
  const earlier: number[] = [];
  const rankAt = (i: number) => rank.get(common[i]!)!;
  common.forEach((_, i) => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (rankAt(ends[middle]!) < rankAt(i)) low = middle + 1;
      else high = middle;
    }
    earlier.push(low ? ends[low - 1]! : -1);
    ends[low] = i;
  });
  const moved = new Set(common);
  for (let i = ends.at(-1) ?? -1; i >= 0; i = earlier[i]!) moved.delete(common[i]!);
  return moved;
}
