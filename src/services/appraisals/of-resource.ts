import { findText } from "@/data/queries/texts-and-files";
import { agreedOf, appraisalsOf } from "@/data/queries/weighing";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadAppraisals {
  @Id() resource: string;
}

export const readAppraisals = reading({
  name: "appraisals.of-resource",
  about:
    "What people think of a resource, each with the words they answered, and what was agreed on. What others said in a blind round is left out until it is opened.",
  input: ReadAppraisals,
  allow: can.see("resource"),
  run: async ({ input, scope, tx }) => ({
    appraisals: await appraisalsOf(tx, input.resource, scope.person!),
    agreed: await agreedOf(tx, input.resource),
    /** Which reading copy there is now; who judged another one judged another page. */
    copy: (await findText(tx, input.resource))?.number ?? null,
  }),
});
