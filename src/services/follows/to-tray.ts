import { IsBoolean } from "class-validator";
import { lockFollow, setTrayFrom } from "@/data/queries/feeds";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class ToTray {
  @Id() team: string;
  /** One of the feeds one follows. */
  @Id() follow: string;
  @IsBoolean() on: boolean;
}

export const bringFollowedToTray = action({
  name: "follows.to-tray",
  about:
    "Whether what comes in a feed one follows goes into one's Tray by itself, from now on; the rules of the team act there as on all that comes in.",
  input: ToTray,
  allow: can.bringIn(),
  locks: null,
  history: null,
  run: async ({ input: { team, follow, on }, scope, tx, at }) => {
    const row = await lockFollow(tx, follow);
    if (row?.team !== team || row.person !== scope.person || row.kind !== "feed")
      throw new Problem("not-found");
    if (on !== (row.trayFrom !== null)) await setTrayFrom(tx, follow, on ? at : null);
    return { on };
  },
});
