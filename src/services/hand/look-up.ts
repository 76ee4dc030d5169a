import { checkDoi, checkIsbn, bareDoi } from "@/core/cite/identifiers";
import { reading } from "../action";
import { Name } from "../input";
import { can } from "../policy";
import { fieldProblem, Problem } from "../problem";
import { lookUpReference } from "@/outside/look-up";

class LookUp {
  @Name("a DOI or an ISBN", 400) identifier: string;
}

export const lookUp = reading({
  name: "references.look-up",
  about: "Asks the configured service what a DOI or an ISBN stands for. Nothing is kept.",
  input: LookUp,
  allow: can.beSignedIn(),
  run: async ({ input }) => {
    const typed = input.identifier;
    const isDoi = /^(https?:\/\/(dx\.)?doi\.org\/|doi:|10\.)/i.test(typed);
    const problem = isDoi ? checkDoi(typed) : checkIsbn(typed);
    if (problem) throw fieldProblem("identifier", problem);
    const found = await lookUpReference(
      isDoi ? { doi: bareDoi(typed) } : { isbn: typed.replace(/[^\dX]/gi, "").toUpperCase() },
    );
    if (!found.ok) throw new Problem("not-found", found.problem);
    return { reference: found.reference };
  },
});
