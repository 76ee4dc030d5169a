import { findFile } from "@/data/queries/contents";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

class ReadFile {
  @Id() resource: string;
}

export const readFile = reading({
  name: "files.read",
  about: "The file a resource is: name, type, length and hash. Its bytes are at /api/file/<resource>.",
  input: ReadFile,
  allow: can.see("resource"),
  run: async ({ input, tx }) => {
    const file = await findFile(tx, input.resource);
    if (!file) throw new Problem("not-found", "This resource is no file.");
    return { file };
  },
});
