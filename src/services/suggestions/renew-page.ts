import { setSuggestionPage, suggestionPageOf } from "@/data/queries/suggestions";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newShareCode, newShortCode } from "@/outside/random";

class RenewPage {
  @Id() collection: string;
}

export const renewPage = action({
  name: "suggestions.renew-page",
  about:
    "Gives the page for suggestions of a collection another address and short code; the old ones open nothing any more.",
  input: RenewPage,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, locked, emit }) => {
    const { id: collection } = locked.collection(input.collection);
    const page = await suggestionPageOf(tx, collection);
    if (!page) throw new Problem("not-found");
    const fresh = { link: newShareCode(), code: newShortCode() };
    await setSuggestionPage(tx, page.id, fresh);
    emit({ verb: "suggestions.set-page", subject: collection, collection });
    return fresh;
  },
});
