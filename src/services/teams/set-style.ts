import { STYLE_IDS, type StyleId } from "@/core/cite/styles";
import { setTeamStyle } from "@/data/queries/citation-styles";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class SetStyle {
  @Id() team: string;
  @OneOf(["", ...STYLE_IDS]) style: StyleId | "";
}

export const setStyle = action({
  name: "teams.set-style",
  about: "The style works of a team are cited in, where no collection has its own; empty for none.",
  input: SetStyle,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input, tx, emit }) => {
    await setTeamStyle(tx, input.team, input.style);
    emit({ verb: "teams.set-style", subject: input.team, data: { style: input.style } });
    return { style: input.style };
  },
});
