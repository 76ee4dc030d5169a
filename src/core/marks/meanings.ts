/** How a meaning is underlined, because colour alone says nothing to some. */
export const PATTERNS = ["line", "double", "dots", "dashes", "wave"] as const;
export type Pattern = (typeof PATTERNS)[number];

/** Colours of dyes; each has a name in the style sheet. */
export const TINTS = ["woad", "weld", "madder", "birch", "lichen"] as const;
export type Tint = (typeof TINTS)[number];

/** What a pattern is called where it is chosen. */
export const PATTERN_WORDS: Record<Pattern, string> = {
  line: "a line",
  double: "two lines",
  dots: "dots",
  dashes: "dashes",
  wave: "a wave",
};

/** So many meanings are still told apart. */
export const MOST_MEANINGS = 9;

/** What the next meaning looks like, as long as nobody chooses: a pattern that is not there yet, in a colour that is not. */
export function nextLook(taken: readonly { pattern: Pattern; tint: Tint }[]): {
  pattern: Pattern;
  tint: Tint;
} {
  const free = <T>(all: readonly T[], used: readonly T[]): T =>
    all.find((one) => !used.includes(one)) ?? all[taken.length % all.length]!;
  return {
    pattern: free(
      PATTERNS,
      taken.map((one) => one.pattern),
    ),
    tint: free(
      TINTS,
      taken.map((one) => one.tint),
    ),
  };
}
