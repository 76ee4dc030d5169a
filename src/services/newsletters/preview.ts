import { shareCodeOf } from "@/data/queries/sharing";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { asLetter, composeIssue } from "./compose";

class PreviewNewsletter {
  @Id() collection: string;
}

export const previewNewsletter = reading({
  name: "newsletters.preview",
  about: "The next issue of a newsletter as it would go out now, as HTML for mail and as plain text.",
  input: PreviewNewsletter,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const { draft, content, chosen } = await composeIssue(tx, input.collection, now());
    const code = await shareCodeOf(tx, input.collection);
    return { items: chosen.length, ...asLetter(content, draft.subject, { code, number: null, token: null }) };
  },
});
