import { IsInt, Max, Min } from "class-validator";
import { whatChanged } from "@/core/text/what-changed";
import { findText } from "@/data/queries/texts-and-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { readVersion } from "./read-version";

class Compare {
  @Id() resource: string;
  @IsInt() @Min(1) @Max(1e9) number: number;
}

export const compareVersion = reading({
  name: "texts.compare",
  about: "A reading copy a resource had before, and what is other in the one in use, by words.",
  input: Compare,
  allow: can.seeHere("resource"),
  run: async ({ input, tx }) => {
    const { html, text, origin, at } = await readVersion(tx, input.resource, input.number);
    const now = await findText(tx, input.resource);
    return { html, origin, at, changes: whatChanged(text, now?.text ?? "") };
  },
});
