import { checkDoi, checkIsbn, bareDoi } from "@/core/cite/identifiers";
import { reading } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { lookUpReference } from "@/outside/look-up-reference";

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
    if (problem) throw fieldProblem("identifier", "identifier-not-valid", problem);
    const found = await lookUpReference(
      isDoi ? { doi: bareDoi(typed) } : { isbn: typed.replace(/[^\dX]/gi, "").toUpperCase() },
    );
    if (!found.ok) throw new Problem("look-up-failed", found.problem);
    return { reference: found.reference };
  },
});
