import { eraseSomeOwn, eraseTeam, unsignSome } from "@/data/queries/erasing";
import { database } from "@/mechanism/changing";

/** So many rows of a table at once: nobody waits long for what is locked. */
const AT_ONCE = 500;

/** Some after the other until none is left; each time is for good, so it goes on where it stopped. */
async function untilNone(some: () => Promise<number>): Promise<void> {
  while ((await some()) > 0);
}

/** Erases what was somebody's alone, everywhere or in one team. */
export const erasePerson = (of: { person: string; team: string | null }): Promise<void> =>
  untilNone(() => eraseSomeOwn(database(), of, AT_ONCE));

/** Takes somebody's name off all they made in a team. */
export const unsign = (of: { team: string; person: string; as: string }): Promise<void> =>
  untilNone(() => unsignSome(database(), of, AT_ONCE));

/** Erases a team nobody is in any more. */
export const eraseWholeTeam = (team: string): Promise<void> => eraseTeam(database(), team, AT_ONCE);
