import { loggedOf, type LogKind, LOG_KINDS } from "@/core/log/kinds";
import { keepsOf, type LogWish } from "@/data/queries/log";
import type { Tx } from "@/data/database";
import { Id, MaybeDay, MaybeId, MaybeOneOf } from "@/mechanism/input";

const DAY = 86_400_000;

/** What of the log of a team is asked for. */
export class AskedOfLog {
  @Id() team: string;
  @MaybeId() person?: string | null;
  @MaybeOneOf(LOG_KINDS) kind?: LogKind;
  /** From the beginning of this day to the end of that one, by UTC. */
  @MaybeDay() from?: string | null;
  @MaybeDay() to?: string | null;
}

/** The same as the data layer takes it: not longer ago than the team keeps it. */
export async function wishOf(
  tx: Tx,
  { team, person, kind, from, to }: AskedOfLog,
  at: Date,
): Promise<LogWish> {
  const { log } = (await keepsOf(tx, team))!;
  const kept = new Date(at.getTime() - log * DAY);
  const begin = from ? new Date(`${from}T00:00:00Z`) : kept;
  return {
    ...{ team, person: person ?? null, ...loggedOf(kind ?? null), before: null },
    from: begin > kept ? begin : kept,
    to: to ? new Date(Date.parse(`${to}T00:00:00Z`) + DAY) : null,
  };
}
