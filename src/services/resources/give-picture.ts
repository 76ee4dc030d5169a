import { cardOf } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id, Picture } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { storePicture } from "../pictures/store-picture";

class GivePicture {
  @Id() resource: string;
  /** The picture itself, in Base64; up to 6 MB. */
  @Picture() picture: string;
}

export const givePicture = action({
  name: "resources.give-picture",
  about:
    "Gives a resource a picture of one's own; it is made small and clean, and no later fetch replaces it.",
  input: GivePicture,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: "change a picture",
  run: async ({ input, tx, locked, at, change }) => {
    const row = locked.resource(input.resource);
    const pictureHash = await storePicture(tx, input.picture, at);
    const typed = [...new Set([...row.typed, "pictureHash"])];
    await change("resource", row, { pictureHash, typed }, { say: { title: row.title } });
    return { resource: await cardOf(tx, row) };
  },
});
