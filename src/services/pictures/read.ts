import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { openFile } from "@/outside/files";

class ReadPicture {
  @Name("a hash", 64) hash: string;
}

export const readPicture = reading({
  name: "pictures.read",
  about: "A kept picture of a resource, as WebP.",
  input: ReadPicture,
  allow: can.seePicture(),
  run: async ({ input }) => {
    const file = await openFile(input.hash);
    if (!file) throw new Problem("not-found");
    return file;
  },
});
