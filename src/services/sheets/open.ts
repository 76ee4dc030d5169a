import { findSheet } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { openSheet, tellSheet } from "./open-to-write";

class OpenSheet {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
}

export const openOwnSheet = action({
  name: "sheets.open",
  about:
    "Notes that who holds the card has opened a handout, for whoever gave it. Opened twice it was opened once.",
  input: OpenSheet,
  allow: can.holdCard(),
  // The sheet, which is begun when it is not there; that is seen to together.
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const there = await findSheet(tx, input.handout, scope.holder!.id);
    const { sheet } = await openSheet(tx, scope, input.handout, at);
    if (!there) tellSheet(set, sheet);
    return { openedAt: sheet.openedAt };
  },
});
