import { IsBoolean } from "class-validator";
import { nameOfTeam, setPageOfTeam } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, MaybePicture, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { tellTeamApart } from "../accounts/told-apart";
import { pictureOf } from "../pictures/store-picture";

class SetPage {
  @Id() team: string;
  /** Whether there is such a page. */
  @Optional() @IsBoolean() open?: boolean;
  /** What it says of the team. */
  @MaybeText(2000) words?: string;
  /** A picture in Base64; up to 6 MB. */
  @MaybePicture() picture?: string;
  /** Takes the picture away. */
  @Optional() @IsBoolean() noPicture?: boolean;
}

export const setPage = action({
  name: "teams.set-page",
  about:
    "Gives a team a page of its own that lists what it made public, and nothing else; or takes it away. Names stand there and no addresses.",
  input: SetPage,
  allow: can.publish("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, open, words, ...pictured }, tx, at, emit }) => {
    if (open) await tellTeamApart(tx, { id: team, name: (await nameOfTeam(tx, team))! }, "open");
    const picture = await pictureOf(tx, pictured, at);
    const page = { open, words, picture };
    await setPageOfTeam(tx, team, page);
    emit({ verb: "teams.set-page", subject: team, data: {} });
    return page;
  },
});
