import { IsBase64, MaxLength } from "class-validator";
import { noteFile } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { storeFile } from "@/outside/files";
import { makeThumbnail } from "@/outside/pictures";

class UploadCover {
  @Id() collection: string;
  /** The picture itself, in Base64; up to 6 MB. */
  @IsBase64(undefined, { message: "This is no picture." })
  @MaxLength(8_200_000, { message: "At most 6 MB, please." })
  picture: string;
}

export const uploadCover = action({
  name: "collections.cover",
  about: "Gives a collection a picture of its own for a cover; it is made small and clean.",
  input: UploadCover,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "change the cover",
  run: async ({ input, tx, locked, at, change }) => {
    const picture = await makeThumbnail(Buffer.from(input.picture, "base64"));
    if (!picture) throw fieldProblem("picture", "picture-not-readable");
    const coverHash = await storeFile(picture);
    await noteFile(tx, { hash: coverHash, bytes: picture.length, type: "image/webp", createdAt: at });
    await change("collection", locked.collection(input.collection), { coverHash });
    return { coverHash };
  },
});
