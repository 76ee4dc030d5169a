import { IsBoolean } from "class-validator";
import { addSuggestionPage, setSuggestionPage, suggestionPageOf } from "@/data/queries/suggestions";
import { action } from "@/mechanism/action";
import { Id, MaybeMoment, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { newId, newShareCode, newShortCode } from "@/outside/random";

class SetPage {
  @Id() collection: string;
  @Optional() @IsBoolean() open?: boolean;
  /** Whether what is suggested stands in the collection at once. */
  @Optional() @IsBoolean() letsIn?: boolean;
  /** Words and sites that have it wait for a look all the same, by commas or one a line. */
  @MaybeText(4_000) holds?: string;
  /** What is looked for, said to those who come. */
  @MaybeText(500) ask?: string;
  /** From then on nothing is taken; null: as long as it is open. */
  @MaybeMoment() until?: string | null;
}

export const setPage = action({
  name: "suggestions.set-page",
  about:
    "Sets whether anybody can suggest things for a collection, by an address and a short code, and what becomes of them; the first time both are made.",
  input: SetPage,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  // What is open is closed by the same button.
  history: null,
  run: async ({ input, scope, tx, locked, at, emit }) => {
    const { id: collection, team } = locked.collection(input.collection);
    const { until: day, open, letsIn, holds, ask } = input;
    const until = day ? new Date(day) : day;
    if (until && until <= at) throw fieldProblem("until", "date-is-over");
    const there = await suggestionPageOf(tx, collection);
    const fields = Object.fromEntries(
      Object.entries({ open, letsIn, holds, ask, until }).filter(([, value]) => value !== undefined),
    );
    const page = {
      ...{ id: newId(), team, collection, link: newShareCode(), code: newShortCode() },
      ...{ open: true, letsIn: false, holds: "", ask: "", until: null },
      ...{ createdBy: scope.person!, createdAt: at },
      ...there,
      ...fields,
      // Things are let in on behalf of whoever said so.
      ...(letsIn && { createdBy: scope.person! }),
    };
    if (there) await setSuggestionPage(tx, there.id, page);
    else await addSuggestionPage(tx, page);
    emit({ verb: "suggestions.set-page", subject: collection, collection });
    return { link: page.link, code: page.code };
  },
});
