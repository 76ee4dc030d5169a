import type { RoundTally } from "@/core/appraise/flow";
import { screeningAt, tallyOf } from "@/core/appraise/screening";
import type { Tx } from "@/data/database";
import { findRound, type RoundRow } from "@/data/queries/rounds";
import { searchRecordsOf } from "@/data/queries/search-records";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { insideRound } from "./inside";

/** A review has no more rounds than this. */
const MOST_ROUNDS = 12;

class ReadFlow {
  @Id() round: string;
}

export const readFlow = reading({
  name: "rounds.flow",
  about:
    "The numbers of a review: the searches that were made for it, and what became of the things of each of its rounds, up to this one. Of a blind round that is being judged nothing is told.",
  input: ReadFlow,
  allow: can.see("round"),
  run: async ({ input, tx }) => {
    const rounds = await upTo(tx, input.round);
    const tallies: (RoundTally & { id: string; title: string })[] = [];
    for (const round of rounds)
      tallies.push({ id: round.id, title: round.title, ...(await tallied(tx, round)) });
    return { first: rounds[0]!.id, rounds: tallies, searches: await searchRecordsOf(tx, rounds[0]!.id) };
  },
});

/** A round and those before it, the first one first. */
async function upTo(tx: Tx, id: string): Promise<RoundRow[]> {
  const rounds: RoundRow[] = [];
  for (let next: string | null = id; next && rounds.length < MOST_ROUNDS;) {
    const round: RoundRow | null = await findRound(tx, next);
    // One that was taken away is a beginning nobody sees any more.
    if (!round || (round.deletedAt && rounds.length)) break;
    rounds.unshift(round);
    next = round.after;
  }
  if (!rounds.length) throw new Problem("not-found");
  return rounds;
}

async function tallied(tx: Tx, round: RoundRow): Promise<RoundTally> {
  const { criteria, things } = await insideRound(tx, round, null);
  const at = screeningAt(criteria);
  if (at < 0 || (round.blind && round.state === "judging"))
    return { things: things.length, in: 0, out: 0, open: things.length, reasons: [] };
  const { unsure, open, reasons, ...tally } = tallyOf(things, criteria[at]!, at);
  return {
    ...{ things: things.length, in: tally.in, out: tally.out, reasons },
    open: unsure + open + tally["in dispute"],
  };
}
