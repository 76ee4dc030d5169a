import { action } from "@/mechanism/action";
import { Id, Ids, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class DeclineSuggestions {
  @Id() collection: string;
  @Ids(500) suggestions: string[];
  /** What is said to them. */
  @MaybeText(500) word?: string;
}

export const declineSuggestions = action({
  name: "suggestions.decline",
  about:
    "Declines what was suggested, with a word to whoever did. What somebody else has decided already is passed over.",
  input: DeclineSuggestions,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection], suggestions: input.suggestions }),
  history: ({ input }) =>
    input.suggestions.length === 1
      ? "decline the suggestion"
      : `decline ${input.suggestions.length} suggestions`,
  run: async ({ input, locked, change }) => {
    const rows = locked
      .suggestionsFor(input.collection, input.suggestions)
      .filter(({ state }) => state === "waiting");
    for (const row of rows) await change("suggestion", row, { state: "declined", word: input.word ?? "" });
    return { declined: rows.map(({ id }) => id) };
  },
});
