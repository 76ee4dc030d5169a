import unhomoglyph from "unhomoglyph";

/** Names that are the same but for capitals, width and spaces are the same, and may be: many a school has a Year 10. */
const folded = (name: string): string => name.normalize("NFKC").toLowerCase().replace(/\s+/gu, " ").trim();

/**
 * What a name looks like: names with the same one can hardly be told apart by eye. By Unicode Technical Standard 39, section 4,
 * with its table of confusable letters; capitals count as small letters.
 */
export const skeletonOf = (name: string): string =>
  unhomoglyph(folded(name).normalize("NFD")).toLowerCase().normalize("NFD");

/** Whether one name looks like another and is not that: some of its letters are others. */
export const looksLike = (name: string, other: string): boolean =>
  skeletonOf(name) === skeletonOf(other) && folded(name) !== folded(other);
