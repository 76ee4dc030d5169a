import { heldAmong, heldByHistory } from "@/data/queries/held-files";
import { database } from "@/mechanism/changing";
import { clearLying, type Lying, lyingBefore } from "@/outside/files";
import { log } from "@/outside/log";

const DAY = 86_400_000;

type Counted = { held: number; cleared: number; bytes: number };

/**
 * Clears stored files nobody holds any more, and parts of files that never became whole; nothing that was written or
 * wanted within a day. First it is counted: when nothing at all is held, this is another database than the files belong
 * to, and nothing is cleared.
 * @param at now
 */
export async function clearFiles(at: Date): Promise<Counted> {
  const before = new Date(at.getTime() - DAY);
  const history = await heldByHistory(database());
  const counted: Counted = { held: 0, cleared: 0, bytes: 0 };
  let unheld = 0;
  for await (const some of lyingBefore(before)) {
    const open = await notHeld(some, history);
    counted.held += some.length - open.length;
    unheld += open.length;
  }
  if (!counted.held && unheld) {
    log.error(
      { unheld },
      "no stored file is held by anybody; is this the database they belong to? Nothing was cleared",
    );
    return counted;
  }
  if (!unheld) return counted;
  for await (const some of lyingBefore(before))
    // Asked again: somebody may have come to hold it.
    for (const one of await notHeld(some, history)) {
      await clearLying(one);
      counted.cleared++;
      counted.bytes += one.bytes;
    }
  log.info(counted, "cleared files nobody holds");
  return counted;
}

async function notHeld(some: readonly Lying[], history: ReadonlySet<string>): Promise<Lying[]> {
  const held = await heldAmong(
    database(),
    some.map(({ hash }) => hash),
  );
  return some.filter(({ hash, whole }) => !whole || !(held.has(hash) || history.has(hash)));
}
