import { action } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveSuggestions {
  @Id() collection: string;
  @Ids(500) suggestions: string[];
}

export const removeSuggestions = action({
  name: "suggestions.remove",
  about: "Deletes suggestions with the names they came under. What was accepted stays in its collection.",
  input: RemoveSuggestions,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection], suggestions: input.suggestions }),
  history: ({ input }) =>
    input.suggestions.length === 1
      ? "delete the suggestion"
      : `delete ${input.suggestions.length} suggestions`,
  run: async ({ input, locked, remove }) => {
    const rows = locked.suggestionsFor(input.collection, input.suggestions);
    await remove("suggestion", rows);
    return { removed: rows.map(({ id }) => id) };
  },
});
