import { within } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { type Behind, shownBehind } from "./shown-behind";

/** What is behind a code is looked at this often, so a change shows within it in every process. */
const CHECK = 500;
/** So long a look waits for the database, in milliseconds. */
const LONGEST = 8_000;
const MOST = 400;

/** What each code leads to, as it was looked at last: all pages under it go by one look. */
const looked = new Map<string, { behind: Behind | null; at: number }>();
const looking = new Map<string, Promise<Behind | null>>();

/** What was seen behind a code within the last half second, without waiting; undefined when nobody has looked. */
export function freshlyLooked(code: string): { behind: Behind | null } | undefined {
  const last = looked.get(code);
  return last && Date.now() - last.at < CHECK ? last : undefined;
}

/**
 * What is behind a code, as it was within the last half second.
 * @param patience so long this one waits, in milliseconds; others may wait longer for the same look
 * @throws an error `isAway` is true of, when the database does not answer in time
 */
export function look(code: string, patience = LONGEST): Promise<Behind | null> {
  const fresh = freshlyLooked(code);
  return fresh ? Promise.resolve(fresh.behind) : within(patience, lookAnew(code));
}

/** One look at a time, however many wait for it. */
function lookAnew(code: string): Promise<Behind | null> {
  let work = looking.get(code);
  if (!work) {
    const at = Date.now();
    work = within(LONGEST, shownBehind(database(), code, now()))
      .then((behind) => {
        looked.delete(code);
        if (looked.size >= MOST) looked.delete(looked.keys().next().value!);
        // What is shared this moment is there at once for who asked a moment too early.
        if (behind) looked.set(code, { behind, at });
        return behind;
      })
      .finally(() => looking.delete(code));
    looking.set(code, work);
  }
  return work;
}

/** When a code was last looked at; 0: never. */
export const lookedAt = (code: string): number => looked.get(code)?.at ?? 0;
