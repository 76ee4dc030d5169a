/** How much of an outcome an item serves. */
export const DEGREES = ["full", "part"] as const;
export type Degree = (typeof DEGREES)[number];

export type Outcome = { id: string; parent: string | null; code: string; title: string };
/** That an item serves an outcome, with what is counted of it. */
export type Serving = {
  outcome: string;
  placement: string;
  resource: string;
  /** Under which column it is counted. */
  column: string;
  degree: Degree;
  minutes: number | null;
  /** Somebody has judged it. */
  appraised: boolean;
};

/** What serves an outcome, counted; every resource once, however often it stands somewhere. */
export type Count = { full: number; part: number; minutes: number; appraised: number };
/** What there is to say of an outcome as a whole. */
export type Cover = "nothing" | "one thing" | "only unappraised" | "covered";
/** An outcome in the order of the tree, with what serves it or what stands in it. */
export type Row = {
  outcome: Outcome;
  depth: number;
  /** Something stands in it: it is covered by what covers that. */
  heads: boolean;
  cells: ReadonlyMap<string, Count>;
  all: Count;
  cover: Cover;
};

const NONE: Count = { full: 0, part: 0, minutes: 0, appraised: 0 };

function count(servings: readonly Serving[]): Count {
  // Of one resource that serves it twice the fuller counts.
  const once = new Map<string, Serving>();
  for (const one of servings) if (once.get(one.resource)?.degree !== "full") once.set(one.resource, one);
  const total = { ...NONE };
  for (const { degree, minutes, appraised } of once.values()) {
    total[degree]++;
    total.minutes += minutes ?? 0;
    if (appraised) total.appraised++;
  }
  return total;
}

function coverOf({ full, part, appraised }: Count): Cover {
  if (full + part === 0) return "nothing";
  if (full + part === 1) return "one thing";
  return appraised === 0 ? "only unappraised" : "covered";
}

/**
 * The matrix of outcomes: what serves each, by columns and in all. Each outcome stands behind the one it stands in, neighbours in
 * the order in which they were written; one in which others stand has what serves any of them.
 * @param outcomes in the order in which they were written
 */
export function coverage(outcomes: readonly Outcome[], servings: readonly Serving[]): Row[] {
  const inside = new Map<string | null, Outcome[]>();
  const known = new Set(outcomes.map(({ id }) => id));
  for (const one of outcomes) {
    const parent = one.parent && known.has(one.parent) ? one.parent : null;
    inside.set(parent, [...(inside.get(parent) ?? []), one]);
  }
  const own = new Map<string, Serving[]>();
  for (const one of servings) own.set(one.outcome, [...(own.get(one.outcome) ?? []), one]);
  const rows: Row[] = [];
  const walk = (outcome: Outcome, depth: number): Serving[] => {
    const at = rows.push(null as never) - 1;
    const children = inside.get(outcome.id) ?? [];
    const all = [...(own.get(outcome.id) ?? []), ...children.flatMap((child) => walk(child, depth + 1))];
    const columns = new Map<string, Serving[]>();
    for (const one of all) columns.set(one.column, [...(columns.get(one.column) ?? []), one]);
    const total = count(all);
    rows[at] = {
      outcome,
      depth,
      heads: children.length > 0,
      cells: new Map([...columns].map(([column, some]) => [column, count(some)])),
      all: total,
      cover: coverOf(total),
    };
    return all;
  };
  for (const one of inside.get(null) ?? []) walk(one, 0);
  return rows;
}

/** Of how many outcomes in which no other stands each is so. */
export function gaps(rows: readonly Row[]): Record<Cover, number> {
  const sums: Record<Cover, number> = { nothing: 0, "one thing": 0, "only unappraised": 0, covered: 0 };
  for (const { heads, cover } of rows) if (!heads) sums[cover]++;
  return sums;
}

/** Everything that stands in an outcome, and itself. */
export function insideOutcome(outcomes: readonly Pick<Outcome, "id" | "parent">[], id: string): Set<string> {
  const found = new Set([id]);
  for (let size = 0; size < found.size;) {
    size = found.size;
    for (const one of outcomes) if (one.parent && found.has(one.parent)) found.add(one.id);
  }
  return found;
}
