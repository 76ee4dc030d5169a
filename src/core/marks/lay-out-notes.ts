/** A note in the margin: where its passage is, and how high it is itself. */
export type Note = { top: number; height: number };

/**
 * Where notes stand in the margin so that none covers another: each as near to its passage as the others leave room, in
 * the order of their passages.
 *
 * Without a chosen one the sum of the squares of all displacements is least: notes that would overlap are pooled, and a
 * pool stands where its middle would (the pool-adjacent-violators algorithm of isotonic regression).
 *
 *     passages   1 2     3          chosen: 3
 *     notes      [1][2]  [3]        [1][2][3]
 *
 * @param notes in the order of their passages
 * @param gap between two of them
 * @param chosen stands beside its passage whatever the others do; they give way upwards and downwards
 * @returns the top of each
 */
export function layOutNotes(notes: readonly Note[], gap: number, chosen = -1): number[] {
  if (chosen >= 0 && chosen < notes.length) {
    const tops: number[] = notes.map((note) => note.top);
    for (let i = chosen + 1; i < notes.length; i++)
      tops[i] = Math.max(notes[i]!.top, tops[i - 1]! + notes[i - 1]!.height + gap);
    for (let i = chosen - 1; i >= 0; i--)
      tops[i] = Math.min(notes[i]!.top, tops[i + 1]! - notes[i]!.height - gap);
    return tops;
  }
  // Of each note what lies above it in its pool is taken off; then the pools must not fall.
  let above = 0;
  const pools: { sum: number; count: number }[] = [];
  const aboves: number[] = [];
  for (const { top, height } of notes) {
    aboves.push(above);
    let pool = { sum: top - above, count: 1 };
    above += height + gap;
    for (
      let last = pools.at(-1);
      last && last.sum / last.count > pool.sum / pool.count;
      last = pools.at(-1)
    ) {
      pools.pop();
      pool = { sum: last.sum + pool.sum, count: last.count + pool.count };
    }
    pools.push(pool);
  }
  const bases = pools.flatMap(({ sum, count }) => Array<number>(count).fill(Math.max(0, sum / count)));
  return bases.map((base, i) => base + aboves[i]!);
}
