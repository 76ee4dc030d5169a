import { findFile } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class ReadFile {
  @Id() resource: string;
}

export const readFile = reading({
  name: "files.read",
  about: "The file a resource is: name, type, length and hash. Its bytes are at /api/file/<resource>.",
  input: ReadFile,
  allow: can.seeHere("resource"),
  run: async ({ input, tx }) => {
    const file = await findFile(tx, input.resource);
    if (!file) throw new Problem("no-file");
    return { file };
  },
});
