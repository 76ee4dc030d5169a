import { itemsIn, withInside } from "@/core/editions/content";
import { reading } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { handoutForCard } from "./handout-for-card";
import { editionContent } from "./view-of";

class ReadSheetFile {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
  @Id() item: string;
}

export const readSheetFile = reading({
  name: "sheets.file",
  about: "The stored file of an item of a handout, as it was handed out.",
  input: ReadSheetFile,
  allow: can.holdCard(),
  run: async ({ input, scope, tx }) => {
    const { edition } = await handoutForCard(tx, scope.holder!, input.handout);
    const file = withInside((await editionContent(tx, edition))!)
      .flatMap(itemsIn)
      .find((one) => one.id === input.item)?.file;
    if (!file) throw new Problem("not-found");
    return { file };
  },
});
