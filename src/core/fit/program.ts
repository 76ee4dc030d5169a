import { type Candidate, isTooHard, mostOfSite, type Wishes, worthOf, worthOfOutcome } from "./choice";

/** One condition: what these columns come to, each times its factor, is at the most so much. */
type Condition = { at: number[]; factors: number[]; most: number };

/**
 * An integer programme: find whole numbers from 0 to 1, within their bounds, that keep to the conditions and come to the most. The first
 * columns are the candidates, 1: it stays; a column for each outcome served by something stays behind them, which need not be whole
 * because nothing but 0 or 1 comes to the most.
 */
export type Program = {
  values: number[];
  lower: number[];
  upper: number[];
  /** So many of the first columns are whole. */
  whole: number;
  conditions: Condition[];
};

/** How far a second choice is from a first: so many things at least are otherwise. */
export type Otherwise = { than: readonly Candidate[]; by: number };

/** The choice of what stays, written as an integer programme. */
export function programOf(candidates: readonly Candidate[], wishes: Wishes, otherwise?: Otherwise): Program {
  const conditions: Condition[] = [];
  const values = candidates.map(worthOf);
  const lower = candidates.map(({ stays }) => (stays ? 1 : 0));
  const upper = candidates.map((one) => (isTooHard(one, wishes) ? 0 : 1));
  const where = (test: (one: Candidate) => boolean) => candidates.flatMap((one, i) => (test(one) ? [i] : []));
  const all = where(() => true);
  const ones = (at: readonly number[]) => at.map(() => 1);

  conditions.push({ at: all, factors: candidates.map(({ minutes }) => minutes), most: wishes.minutes });
  for (const site of new Set(candidates.map((one) => one.site))) {
    const [at, most] = [where((one) => one.site === site), mostOfSite(candidates, site, wishes)];
    if (at.length > most) conditions.push({ at, factors: ones(at), most });
  }
  if (wishes.playing !== null) {
    // 100 × playing ≤ percent × all, with everything on one side.
    const percent = wishes.playing;
    const factors = candidates.map(({ plays, minutes }) => ((plays ? 100 : 0) - percent) * minutes);
    conditions.push({ at: all, factors, most: 0 });
  }
  const worth = worthOfOutcome(candidates);
  for (const outcome of new Set(candidates.flatMap(({ serves }) => serves.map((one) => one.outcome))))
    for (const whole of [false, true]) {
      const at = where(({ serves }) => serves.some((one) => one.outcome === outcome && (one.full || !whole)));
      if (!at.length) continue;
      // An outcome is served if something that serves it stays.
      const column = values.push(worth) - 1;
      lower.push(0);
      upper.push(1);
      conditions.push({ at: [column, ...at], factors: [1, ...at.map(() => -1)], most: 0 });
    }
  if (otherwise) {
    const kept = new Set(otherwise.than);
    conditions.push({
      at: all,
      factors: candidates.map((one) => (kept.has(one) ? 1 : -1)),
      most: kept.size - otherwise.by,
    });
  }
  return { values, lower, upper, whole: candidates.length, conditions };
}

/** The conditions as a sparse matrix, row by row. */
export function matrixOf({ conditions }: Program): { start: number[]; index: number[]; value: number[] } {
  const matrix = { start: [0], index: [] as number[], value: [] as number[] };
  for (const { at, factors } of conditions) {
    at.forEach((column, i) => {
      if (!factors[i]) return;
      matrix.index.push(column);
      matrix.value.push(factors[i]!);
    });
    matrix.start.push(matrix.index.length);
  }
  return matrix;
}

/** What stays by a solution of the programme. */
export const chosenBy = (candidates: readonly Candidate[], solution: ArrayLike<number>): Candidate[] =>
  candidates.filter((_, i) => solution[i]! > 0.5);

/** The programme in the format of CPLEX's LP files, as other solvers read it. */
export function writeLp({ values, lower, upper, whole, conditions }: Program): string {
  const sum = (factors: readonly number[], at: readonly number[]) =>
    at
      .flatMap((column, i) =>
        factors[i] ? [`${factors[i]! < 0 ? "-" : "+"} ${Math.abs(factors[i]!)} x${column}`] : [],
      )
      .join("\n  ") || "0 x0";
  const columns = values.map((_, i) => i);
  return [
    "Maximize",
    ` worth: ${sum(values, columns)}`,
    "Subject To",
    ...conditions.map(({ at, factors, most }, i) => ` c${i}: ${sum(factors, at)}\n  <= ${most}`),
    "Bounds",
    ...columns.map((i) => ` ${lower[i]} <= x${i} <= ${upper[i]}`),
    "Generals",
    ...columns.slice(0, whole).map((i) => ` x${i}`),
    "End",
    "",
  ].join("\n");
}
