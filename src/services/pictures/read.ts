import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadPicture {
  @Name("a hash", 64) hash: string;
}

export const readPicture = reading({
  name: "pictures.read",
  about: "Whether a picture may be seen. Its bytes, as WebP, are at /api/pictures/<hash>.",
  input: ReadPicture,
  allow: can.seePicture(),
  run: async ({ input }) => ({ hash: input.hash }),
});
