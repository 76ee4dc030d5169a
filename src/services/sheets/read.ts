import { handoutForCard } from "./handout-for-card";
import { findSheet } from "@/data/queries/sheets";
import { reading } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { viewOf } from "./view-of";

class ReadSheet {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
}

export const readSheet = reading({
  name: "sheets.read",
  about:
    "A handout as who holds the card has it: what is given now, with what they did and what is said to them about it.",
  input: ReadSheet,
  allow: can.holdCard(),
  run: async ({ input, scope, tx }) => {
    const holder = scope.holder!;
    const handout = await handoutForCard(tx, holder, input.handout);
    const sheet = await findSheet(tx, handout.id, holder.id);
    return {
      name: holder.name,
      group: holder.groupTitle,
      ...{ title: handout.title, writes: handout.writes, until: handout.until },
      handedInAt: sheet?.handedInAt ?? null,
      remark: sheet?.remark ?? "",
      parts: await viewOf(tx, handout, sheet),
    };
  },
});
