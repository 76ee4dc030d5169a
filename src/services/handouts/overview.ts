import { itemsToDo } from "@/core/handouts/sheet-view";
import { stageOf } from "@/core/handouts/stage";
import { editionDigest, findHandout, overviewOf } from "@/data/queries/handouts";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { contentOf } from "../editions/stored-content";

class ReadOverview {
  @Id() handout: string;
}

export const readOverview = reading({
  name: "handouts.overview",
  about:
    "Everybody a handout was given to, side by side: how far they are, how much they ticked and wrote, what they found.",
  input: ReadOverview,
  allow: can.publish("handout"),
  run: async ({ input, tx }) => {
    const { edition, deletedAt: _, createdBy: __, ...handout } = (await findHandout(tx, input.handout))!;
    const items = itemsToDo((await contentOf((await editionDigest(tx, edition))!)).collection);
    const rows = await overviewOf(tx, handout, items);
    return {
      handout,
      items: items.length,
      learners: rows.map((row) => ({ ...row, stage: stageOf(row) })),
    };
  },
});
