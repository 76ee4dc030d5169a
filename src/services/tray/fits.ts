import { IsInt, Max, Min } from "class-validator";
import { fitsIn, MOST_MINUTES } from "@/core/tray/fits-in";
import { trayTimes } from "@/data/queries/tray";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

const DAY = 86_400_000;
/** Of more than these the ones that have waited longest. */
const MOST = 2_000;

class WhatFits {
  @Id() team: string;
  @IsInt() @Min(1) @Max(MOST_MINUTES) minutes: number;
}

export const whatFits = reading({
  name: "tray.fits",
  about:
    "What of one's own Tray fits into some minutes: the set that fills them best, and of those the one that has waited longest, in the order to read it in.",
  input: WhatFits,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => {
    const rows = await trayTimes(tx, scope.person!, input.team, MOST);
    const at = now().getTime();
    const waiting = rows.map(({ id, minutes, since }) => ({
      id,
      minutes,
      days: (at - since.getTime()) / DAY,
    }));
    const resources = fitsIn(waiting, input.minutes);
    const chosen = new Set(resources);
    const minutes = rows.filter((one) => chosen.has(one.id)).reduce((sum, one) => sum + one.minutes!, 0);
    return { resources, minutes };
  },
});
