import { IsInt, Max, Min } from "class-validator";
import { waitingSince } from "@/data/queries/tray";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

const DAY = 86_400_000;
/** Of more, the oldest; the rest with the next press. */
const MOST = 2_000;

class PutAwayOld {
  @Id() team: string;
  @IsInt() @Min(7) @Max(3_650) days: number;
}

export const putAwayOld = action({
  name: "tray.put-away-old",
  about: "Puts away what has waited in one's own Tray for longer than so many days. It can be taken back.",
  input: PutAwayOld,
  allow: can.see("team"),
  locks: null,
  history: ({ changes }) => `put ${changes.length} away`,
  run: async ({ input, scope, tx, at, change }) => {
    const before = new Date(at.getTime() - input.days * DAY);
    const old = await waitingSince(tx, scope.person!, input.team, before, MOST);
    await change("trayEntry", old, { state: "away" });
    return { changed: old.length };
  },
});
