import { stageOf } from "@/core/handouts/stage";
import { handoutsFor } from "@/data/queries/sheets";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadCard {
  @Name("the code of the card", 24) card: string;
}

export const readCard = reading({
  name: "sheets.of-card",
  about: "Whose card it is, and what was handed out to their group, with how far they are.",
  input: ReadCard,
  allow: can.holdCard(),
  run: async ({ scope, tx }) => {
    const holder = scope.holder!;
    const handouts = await handoutsFor(tx, holder);
    return {
      name: holder.name,
      group: holder.groupTitle,
      handouts: handouts.map(({ openedAt, writtenAt, handedInAt, ...one }) => ({
        ...one,
        stage: stageOf({ openedAt, writtenAt, handedInAt, lookedAt: null }),
      })),
    };
  },
});
