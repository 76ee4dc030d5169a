import { IsBoolean } from "class-validator";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { takeIn } from "./take-in";

class AcceptSuggestions {
  @Id() collection: string;
  @Ids(200) suggestions: string[];
  /** Where they go; left out: to the end. */
  @MaybeId() section?: string | null;
  /** Whether the names of those who suggested them stand in the context line. */
  @Optional() @IsBoolean() thanks?: boolean;
  /** What is said to them. */
  @MaybeText(500) word?: string;
}

export const acceptSuggestions = action({
  name: "suggestions.accept",
  about:
    "Takes what was suggested into its collection. What several suggested stands there once; what somebody else has accepted already is passed over. Undo has it wait again.",
  input: AcceptSuggestions,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection], suggestions: input.suggestions }),
  history: ({ input }) =>
    input.suggestions.length === 1
      ? "accept the suggestion"
      : `accept ${input.suggestions.length} suggestions`,
  run: async ({ input, scope, tx, set, locked }) => {
    const rows = locked
      .suggestionsFor(input.collection, input.suggestions)
      .filter(({ state }) => state !== "accepted");
    const whose = { team: scope.team!, person: scope.person! };
    const wish = { section: input.section, thanks: input.thanks ?? true, word: input.word ?? "" };
    const { placed } = await takeIn({ tx, set }, whose, locked.collection(input.collection), rows, wish);
    return { accepted: rows.map(({ id }) => id), placed };
  },
});
