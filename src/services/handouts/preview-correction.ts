import { correctionOf } from "@/core/handouts/correction";
import { editionDigest, findHandout, writtenIn } from "@/data/queries/handouts";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { contentNow } from "../editions/content-now";
import { contentOf } from "../editions/stored-content";
import { originalOf } from "./original";

class PreviewCorrection {
  @Id() handout: string;
}

export const previewCorrection = reading({
  name: "handouts.preview-correction",
  about:
    "What has changed in the collection since it was handed out or last corrected, and how many learners would keep their own words beside it.",
  input: PreviewCorrection,
  allow: can.publish("handout"),
  run: async ({ input, tx }) => {
    const { edition, collection, id } = (await findHandout(tx, input.handout))!;
    await originalOf(tx, collection);
    const given = await contentOf((await editionDigest(tx, edition))!);
    const next = await contentNow(tx, collection, now(), null);
    return correctionOf(given.collection, next.collection, await writtenIn(tx, id));
  },
});
