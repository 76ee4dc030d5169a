import { findSuggestion } from "@/data/queries/suggestions";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class ReadSuggestedFile {
  @Id() suggestion: string;
}

export const readSuggestedFile = reading({
  name: "suggestions.file",
  about: "The file that was suggested, for whoever decides about it.",
  input: ReadSuggestedFile,
  allow: can.arrange("suggestion"),
  run: async ({ input, tx }) => {
    const found = await findSuggestion(tx, input.suggestion);
    if (!found?.fileHash) throw new Problem("not-found");
    const { fileHash: hash, fileName: name, fileType: type, fileBytes: bytes } = found;
    return { file: { hash, name, type, bytes } };
  },
});
