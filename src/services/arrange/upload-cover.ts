import { eq, sql } from "drizzle-orm";
import { IsBase64, MaxLength } from "class-validator";
import { difference } from "@/core/undo/change";
import { findCollection } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { keepFile } from "@/outside/files";
import { makeThumbnail } from "@/outside/pictures";
import { action } from "../action";
import { keepBlob } from "../capture/fill-resource";
import { Id } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

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
  run: async ({ input, tx, tell, did }) => {
    const picture = await makeThumbnail(Buffer.from(input.picture, "base64"));
    if (!picture) throw fieldProblem("picture", "This file is no picture that can be shown.");
    const coverHash = await keepFile(picture);
    await keepBlob(tx, { hash: coverHash, bytes: picture.length }, "image/webp");
    const before = (await findCollection(tx, input.collection))!;
    await tx
      .update(collection)
      .set({ coverHash, version: sql`${collection.version} + 1`, updatedAt: now() })
      .where(eq(collection.id, input.collection));
    tell({ subject: input.collection, collection: input.collection, verb: "collections.edit" });
    const deed = did("change the cover", [difference("collection", input.collection, before, { coverHash })]);
    return { coverHash, deed };
  },
});
