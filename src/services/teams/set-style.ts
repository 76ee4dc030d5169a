import { setTeamStyle } from "@/data/queries/citation-styles";
import { action } from "@/mechanism/action";
import type { StyleId } from "@/core/cite/styles";
import { Id, Style } from "@/mechanism/input";
import { styleThere } from "../references/style-of";
import { can } from "@/mechanism/policy";

class SetStyle {
  @Id() team: string;
  @Style("or none") style: StyleId;
}

export const setStyle = action({
  name: "teams.set-style",
  about: "The style works of a team are cited in, where no collection has its own; empty for none.",
  input: SetStyle,
  allow: can.manage("team"),
  locks: null,
  history: null,
  run: async ({ input, tx, emit }) => {
    if (input.style) await styleThere(tx, input.team, input.style, "style");
    await setTeamStyle(tx, input.team, input.style);
    emit({ verb: "teams.set-style", subject: input.team, data: { style: input.style } });
    return { style: input.style };
  },
});
