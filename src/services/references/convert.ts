import { FOREIGN, type Foreign, LONGEST_FOREIGN } from "@/core/formats/foreign-references";
import { reading } from "@/mechanism/action";
import { Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { NotInstalled, referencesAsRis, TooMany } from "@/outside/documents/convert-references";

class ConvertReferences {
  @OneOf(FOREIGN) from: Foreign;
  @Name("the content of a list", LONGEST_FOREIGN) text: string;
}

export const convertReferences = reading({
  name: "references.convert",
  about:
    "A reference list of another program (EndNote, ISI, MODS, medical articles) as RIS. Nothing is kept.",
  input: ConvertReferences,
  allow: can.beSignedIn(),
  run: async ({ input }) => {
    try {
      return { ris: await referencesAsRis(input.from, input.text) };
    } catch (error) {
      if (error instanceof TooMany) throw new Problem("list-reader-busy");
      throw new Problem(error instanceof NotInstalled ? "list-reader-missing" : "list-not-readable");
    }
  },
});
