import type { Tx } from "@/data/database";
import type { HandoutRow } from "@/data/queries/handouts";
import { handoutWhileWriting, lockSheet, setSheet, type SheetRow } from "@/data/queries/sheets";
import type { ChangeSet } from "@/mechanism/change-set";
import type { Scope } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

/** A handout and the sheet of who holds the card, locked; it is begun when it was not. */
export async function openSheet(
  tx: Tx,
  scope: Scope,
  id: string,
  at: Date,
): Promise<{ handout: HandoutRow; sheet: SheetRow }> {
  const handout = await handoutWhileWriting(tx, id);
  const holder = scope.holder!;
  if (!handout || handout.group !== holder.group || handout.deletedAt) throw new Problem("handout-gone");
  const sheet = await lockSheet(tx, { id: newId(), handout: id, learner: holder.id, openedAt: at });
  return { handout, sheet };
}

/**
 * The same, for writing in it.
 * @throws {Problem} handout-ended, sheet-handed-in; handout-is-read unless only something is ticked
 */
export async function openToWrite(tx: Tx, scope: Scope, id: string, at: Date, words: boolean) {
  const found = await openSheet(tx, scope, id, at);
  const { handout, sheet } = found;
  if (handout.until && handout.until <= at) throw new Problem("handout-ended");
  if (sheet.handedInAt) throw new Problem("sheet-handed-in");
  if (words && !handout.writes) throw new Problem("handout-is-read");
  return found;
}

/** So long those who look on are not told again of somebody who goes on writing, in milliseconds. */
const TOLD_AGAIN = 5_000;

/** Notes that something was written, for whoever looks at all of them. */
export async function noteWritten(tx: Tx, set: ChangeSet, sheet: SheetRow, at: Date): Promise<void> {
  await setSheet(tx, sheet.id, { writtenAt: at });
  if (!sheet.writtenAt || at.getTime() - sheet.writtenAt.getTime() > TOLD_AGAIN) tellSheet(set, sheet);
}

/** Tells those who look on. Who wrote is nobody with an account. */
export const tellSheet = (set: ChangeSet, sheet: SheetRow): void =>
  set.emit({ verb: "sheets.written", subject: sheet.handout, actor: null });
