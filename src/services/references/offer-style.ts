import { IsBoolean } from "class-validator";
import { isOwnStyle, type StyleId } from "@/core/cite/styles";
import { offerStyle, ownStyle } from "@/data/queries/citation-styles";
import { action } from "@/mechanism/action";
import { Id, Style } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class OfferStyle {
  @Id() team: string;
  @Style() style: StyleId;
  /** False takes it off the list. */
  @IsBoolean() offered: boolean;
}

export const offerOwnStyle = action({
  name: "references.offer-style",
  about:
    "Takes a style of a team's own off its list, or puts it back. What is set in it stays so, and none is deleted.",
  input: OfferStyle,
  allow: can.arrange("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, style, offered }, tx, at, emit }) => {
    const found = isOwnStyle(style) ? await ownStyle(tx, team, style) : null;
    if (!found) throw new Problem("not-found");
    await offerStyle(tx, team, style, offered ? null : at);
    emit({ verb: "references.offer-style", subject: team, data: { name: found.name, offered } });
    return { style: { id: style, name: found.name } };
  },
});
