import { IsBoolean } from "class-validator";
import { pageOfPerson, setPageOfPerson } from "@/data/queries/person-pages";
import { lockPerson } from "@/data/queries/people";
import { action } from "@/mechanism/action";
import { MaybeIds, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { tellPersonApart } from "../accounts/told-apart";

/** So many are kept apart; what was left out longest ago is forgotten first. */
const MOST_LEFT_OUT = 500;

class SetPersonPage {
  /** Whether there is such a page; it is listed on the pages of one's teams. */
  @Optional() @IsBoolean() open?: boolean;
  /** What it says of one. */
  @MaybeText(2000) words?: string;
  /** Whether one's picture stands on it. */
  @Optional() @IsBoolean() picture?: boolean;
  /** Collections that are not to stand on it … */
  @MaybeIds() leaveOut?: string[];
  /** … and those that are, after all. */
  @MaybeIds() show?: string[];
}

export const setPersonPage = action({
  name: "people.set-page",
  about:
    "Gives oneself a public page with one's name that lists the public collections one has placed something in, and nothing else; or takes it away.",
  input: SetPersonPage,
  allow: can.beSignedIn(),
  // Nobody else changes it; one's own two windows wait for each other at one's row.
  locks: null,
  history: null,
  run: async ({ input: { open, words, picture, leaveOut = [], show = [] }, actor, scope, tx }) => {
    const id = scope.person!;
    await lockPerson(tx, id);
    if (open) await tellPersonApart(tx, { id, name: actor.person!.name }, "open");
    const before = (await pageOfPerson(tx, id))?.page.leftOut ?? [];
    const shown = new Set(show);
    const leftOut = [...new Set([...before, ...leaveOut])]
      .filter((one) => !shown.has(one))
      .slice(-MOST_LEFT_OUT);
    await setPageOfPerson(tx, id, { open, words, picture, leftOut });
    return { open, words, picture, leftOut };
  },
});
