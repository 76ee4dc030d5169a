import { action } from "@/mechanism/action";
import { Id, Picture } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { storePicture } from "../pictures/store-picture";

class UploadCover {
  @Id() collection: string;
  /** The picture itself, in Base64; up to 6 MB. */
  @Picture() picture: string;
}

export const uploadCover = action({
  name: "collections.cover",
  about: "Gives a collection a picture of its own for a cover; it is made small and clean.",
  input: UploadCover,
  allow: can.arrangeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "change the cover",
  run: async ({ input, tx, locked, at, change }) => {
    const coverHash = await storePicture(tx, input.picture, at);
    await change("collection", locked.collection(input.collection), { coverHash });
    return { coverHash };
  },
});
