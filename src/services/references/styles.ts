import { type StyleId, STYLES } from "@/core/cite/styles";
import { may } from "@/core/policy/abilities";
import { stylesOf } from "@/data/queries/citation-styles";
import { reading } from "@/mechanism/action";
import { Id, MaybeStyle, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { findInstalled } from "@/outside/styles";
import { MOST_STYLES } from "./add-style";
import { styleNamed } from "./style-of";

/** Of those that fit so many are shown; who looks for one types more. */
const MOST_FOUND = 40;

class ReadStyles {
  @Id() team: string;
  /** Words of the name of a style of the installation that is looked for. */
  @MaybeText(120) find?: string;
  /** A style whose name is wanted, wherever it is from. */
  @MaybeStyle() named?: StyleId;
}

export const readStyles = reading({
  name: "references.styles",
  about:
    "The citation styles a team can use: its own, those that come with Hobbin, and, of those installed beside it, the ones that fit what is looked for.",
  input: ReadStyles,
  allow: can.seeHere("team"),
  run: async ({ input, scope, tx }) => {
    const named = input.named ? await styleNamed(tx, input.team, input.named) : null;
    const { found, of } = await findInstalled(input.find ?? "", MOST_FOUND);
    return {
      own: await stylesOf(tx, input.team, MOST_STYLES),
      shipped: STYLES.map(([id, name]) => ({ id: id as string, name: name as string })),
      found,
      installed: of,
      named: named && { id: named.id, name: named.name },
      mayAdd: scope.role !== null && may(scope.role, "arrange"),
    };
  },
});
