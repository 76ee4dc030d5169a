import { IsBoolean } from "class-validator";
import { setPageOfTeam } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class SetPage {
  @Id() team: string;
  /** Whether there is such a page. */
  @Optional() @IsBoolean() open?: boolean;
  /** What it says of the team. */
  @MaybeText(2000) words?: string;
}

export const setPage = action({
  name: "teams.set-page",
  about:
    "Gives a team a page of its own that lists what it made public, and nothing else; or takes it away. Names stand there and no addresses.",
  input: SetPage,
  allow: can.publish("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, ...page }, tx, emit }) => {
    await setPageOfTeam(tx, team, page);
    emit({ verb: "teams.set-page", subject: team, data: {} });
    return { ...page };
  },
});
