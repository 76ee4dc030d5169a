import { IsBoolean, IsInt, Max, Min, ValidateIf } from "class-validator";
import type { StyleId } from "@/core/cite/styles";
import { FASTEST, SLOWEST } from "@/core/fit/pace";
import { type View, VIEWS } from "@/core/list/view-setting";
import { asMarked } from "@/core/text/as-marked";
import { plainText } from "@/core/text/plain";
import { findTeamOfPicture } from "@/data/queries/belonging";
import { action } from "@/mechanism/action";
import { type Base, Id, MaybeBase, MaybeOneOf, MaybeStyle, MaybeText, Optional } from "@/mechanism/input";
import { markedText, mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { styleThere } from "../references/style-of";
import { fieldProblem, Problem } from "@/mechanism/problem";

class EditCollection {
  @Id() collection: string;
  @MaybeText(200) title?: string;
  @MaybeText(4000) description?: string;
  /** The description with bold, italics, lists and links, as HTML; its plain words become the description. */
  @MaybeText(20_000) rich?: string;
  @MaybeBase() base?: Base;
  /** Hash of a picture of the team for its cover; empty to weave it from what it holds. */
  @MaybeText(64) coverHash?: string;
  /** The view readers are given first. */
  @MaybeOneOf(VIEWS) view?: View;
  /** The language it is written in, as BCP 47 has it (“en”, “pt-BR”); empty for none. */
  @MaybeText(35) language?: string;
  /** Origins of other sites that may set it into their pages, separated by blanks; `*` for any, empty for none. */
  @MaybeText(2_000) framedBy?: string;
  /** How many minutes it should not take longer than; null: as long as it takes. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(1) @Max(100_000) aimMinutes?:
    number | null;
  /** In which style its works are cited; empty: as what it stands in, or as the team does. */
  @MaybeStyle("or none") citationStyle?: StyleId;
  /** Whether its readers are given its bibliography. */
  @Optional() @IsBoolean() givesReferences?: boolean;
  /** Whether its readers are told which outcomes it serves. */
  @Optional() @IsBoolean() showsOutcomes?: boolean;
  /** How hard to read its texts should be at most, by LIX; null: as they are. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(10) @Max(100) aimLevel?: number | null;
  /** How many words of English its learners read in a minute; null: as those of what it stands in do. */
  @Optional() @ValidateIf((_, value) => value !== null) @IsInt() @Min(SLOWEST) @Max(FASTEST) readingPace?:
    number | null;
}

export const editCollection = action({
  name: "collections.edit",
  about: "Renames a collection or describes it. Addresses and codes that lead to it stay.",
  input: EditCollection,
  allow: can.arrangeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: ({ input }) => (input.title !== undefined ? "rename the collection" : "change the collection"),
  run: async ({ input, scope, tx, locked, change }) => {
    if (input.title === "") throw fieldProblem("title", "title-missing");
    // What others see of it from outside is said by those who publish.
    if (
      scope.reach &&
      [input.framedBy, input.givesReferences, input.showsOutcomes].some((one) => one !== undefined)
    )
      throw new Problem("not-allowed");
    const before = locked.collection(input.collection);
    const { title, description, rich } = mergedWords(input.base, {
      title: { now: before.title, wanted: input.title, most: 200 },
      description: { now: before.description, wanted: input.description, most: 4000 },
      rich: markedText(before.rich || asMarked(before.description), input.rich),
    });
    const fields = {
      ...(title !== undefined && { title }),
      ...(description !== undefined && { description, rich: "" }),
      ...(rich !== undefined && { rich, description: plainText(rich).slice(0, 4000) }),
      ...(input.coverHash !== undefined && { coverHash: input.coverHash || null }),
      ...(input.view !== undefined && { view: input.view }),
      ...(input.language !== undefined && { language: languageOf(input.language) }),
      ...(input.framedBy !== undefined && { framedBy: originsOf(input.framedBy) }),
      ...(input.aimMinutes !== undefined && { aimMinutes: input.aimMinutes }),
      ...(input.aimLevel !== undefined && { aimLevel: input.aimLevel }),
      ...(input.readingPace !== undefined && { readingPace: input.readingPace }),
      ...(input.citationStyle !== undefined && { citationStyle: input.citationStyle }),
      ...(input.givesReferences !== undefined && { givesReferences: input.givesReferences }),
      ...(input.showsOutcomes !== undefined && { showsOutcomes: input.showsOutcomes }),
    };
    if (fields.citationStyle) await styleThere(tx, before.team, fields.citationStyle);
    if (fields.coverHash && !(await findTeamOfPicture(tx, fields.coverHash, scope.person!)))
      throw fieldProblem("coverHash", "picture-unknown");
    await change("collection", before, fields);
    return {
      collection: { id: before.id, title: before.title, description: before.description, ...fields },
    };
  },
});

/** The language as it is written (RFC 5646, 2.1.1). */
function languageOf(tag: string): string {
  try {
    return tag.trim() && Intl.getCanonicalLocales(tag.trim())[0]!;
  } catch {
    throw fieldProblem("language", "language-unknown");
  }
}

/** Origins as CSP's frame-ancestors takes them; a whole address is as good as its origin. */
function originsOf(text: string): string {
  if (text.trim() === "*") return "*";
  const origins = text.split(/[\s,;]+/).filter(Boolean);
  return origins
    .map((origin) => {
      const address = /^https?:\/\//i.test(origin) ? origin : `https://${origin}`;
      if (!URL.canParse(address) || !new URL(address).hostname.includes("."))
        throw fieldProblem("framedBy", "site-unknown");
      return new URL(address).origin;
    })
    .join(" ");
}
