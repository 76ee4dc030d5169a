/** Where searches are made, as PRISMA tells them apart. */
export const SEARCH_KINDS = ["database", "register", "other"] as const;
export type SearchKind = (typeof SEARCH_KINDS)[number];
/** A search, by where it was made and how much it found. */
export type SearchMade = { kind: SearchKind; hits: number };
/** What a round of screening has come to. */
export type RoundTally = {
  /** How many things it began with. */
  things: number;
  in: number;
  out: number;
  /** Undecided, for whatever reason. */
  open: number;
  reasons: readonly { reason: string | null; count: number }[];
};

/** The numbers of a review, box by box; null where they are not known. */
export type Flow = {
  /** What the searches found, by where. */
  identified: { databases: number; registers: number; other: number } | null;
  /** What was taken away before anybody screened it: the same thing found twice, and whatever else. */
  removedBefore: number | null;
  screened: number;
  excluded: number;
  /** Of more than one round: what the whole text of was looked for, could not be had, and was judged. */
  sought: number | null;
  notRetrieved: number | null;
  assessed: number | null;
  excludedFor: readonly { reason: string; count: number }[];
  included: number;
  /** What is decided on by nobody yet, in the last round. */
  undecided: number;
};

const sumOf = (searches: readonly SearchMade[], kind: SearchMade["kind"]) =>
  searches.filter((one) => one.kind === kind).reduce((sum, { hits }) => sum + hits, 0);

/**
 * The numbers of the flow diagram of PRISMA 2020 (M. J. Page et al., “The PRISMA 2020 statement”, BMJ 372 (2021) n71, figure 1), for
 * searches of databases, registers and others together.
 * @param searches as they were written down; none: what they found is not known
 * @param rounds from the first (titles and summaries) to the last (whole texts)
 * @param notHad the reason for which something is out because its text could not be had; null: none says so
 */
export function flowOf(
  searches: readonly SearchMade[],
  rounds: readonly RoundTally[],
  notHad: string | null,
): Flow | null {
  const [first, ...later] = rounds;
  if (!first) return null;
  const last = rounds.at(-1)!;
  const found = searches.reduce((sum, { hits }) => sum + hits, 0);
  const isTwo = later.length > 0;
  // Rounds between the first and the last screen on by what is known of a thing.
  const excludedBefore = rounds.slice(0, -1).reduce((sum, { out }) => sum + out, 0);
  const missing = last.reasons.find(({ reason }) => reason !== null && reason === notHad)?.count ?? 0;
  return {
    identified: searches.length
      ? {
          databases: sumOf(searches, "database"),
          registers: sumOf(searches, "register"),
          other: sumOf(searches, "other"),
        }
      : null,
    removedBefore: searches.length && found >= first.things ? found - first.things : null,
    screened: first.things,
    excluded: isTwo ? excludedBefore : first.out,
    sought: isTwo ? last.things : null,
    notRetrieved: isTwo ? missing : null,
    assessed: isTwo ? last.things - missing : null,
    excludedFor: (isTwo ? last.reasons : [])
      .filter(({ reason }) => reason === null || reason !== notHad)
      .map(({ reason, count }) => ({ reason: reason ?? "no reason said", count })),
    included: last.in,
    undecided: last.open,
  };
}

/** The same as a table, a row a number: what the figure shows, for who does not see it, and to be taken along. */
export function flowRows(flow: Flow): [stage: string, what: string, n: number][] {
  const { identified: found, removedBefore, sought, notRetrieved, assessed } = flow;
  const known = (stage: string, what: string, n: number | null): [string, string, number][] =>
    n === null ? [] : [[stage, what, n]];
  return [
    ...(found
      ? [
          ...known("Identification", "Records identified from databases", found.databases),
          ...known("Identification", "Records identified from registers", found.registers),
          ...known("Identification", "Records identified elsewhere", found.other || null),
        ]
      : []),
    ...known("Identification", "Records removed before screening", removedBefore),
    ["Screening", "Records screened", flow.screened],
    ["Screening", "Records excluded", flow.excluded],
    ...known("Screening", "Reports sought for retrieval", sought),
    ...known("Screening", "Reports not retrieved", notRetrieved),
    ...known("Screening", "Reports assessed for eligibility", assessed),
    ...flow.excludedFor.map(({ reason, count }): [string, string, number] => [
      "Screening",
      `Reports excluded: ${reason}`,
      count,
    ]),
    ...known("Screening", "Not decided on yet", flow.undecided || null),
    ["Included", "Included in the review", flow.included],
  ];
}
