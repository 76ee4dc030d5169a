import { IsInt, Matches, Max, Min } from "class-validator";
import type { Shelf } from "@/data/queries/shelves";
import { USES, type Use } from "@/core/publish/model";
import { tagKey } from "@/core/tags/tag-name";
import { MaybeOneOf, MaybeText, Optional } from "@/mechanism/input";

/** Which public collections are asked for: those that are all of this. */
export class ShelfWish {
  /** What they are used as. */
  @MaybeOneOf(USES) use?: Use;
  /** The first two letters of their language, as BCP 47 has it. */
  @Optional() @Matches(/^[a-z]{2}$/, { message: "Write a language as “en”." }) language?: string;
  /** How many minutes they take at most. */
  @Optional() @IsInt() @Min(1) @Max(100_000) minutes?: number;
  /** How hard their texts are to read at most, the middle one of each, by LIX. */
  @Optional() @IsInt() @Min(1) @Max(100) level?: number;
  /** A subject they have. */
  @MaybeText(80) tag?: string;
}

/** What was asked for, as it is looked up. */
export const shelfOf = ({ use, language, minutes, level, tag }: ShelfWish): Shelf => ({
  ...(use && { use }),
  ...(language && { language }),
  ...(minutes && { minutes }),
  ...(level && { level }),
  ...(tag && { key: tagKey(tag) }),
});
