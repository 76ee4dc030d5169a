/** How one likes to read, on whatever device: everything has a usual value. */
export const COMFORT = {
  size: ["small", "usual", "large", "larger", "largest"],
  width: ["narrow", "usual", "wide"],
  /** `wide` is what must be possible by WCAG 2.2, 1.4.12: lines 1.5, paragraphs 2, letters 0.12 and words 0.16 of the size. */
  space: ["usual", "wide"],
  face: ["serif", "sans"],
  ground: ["usual", "warm", "dark"],
} as const;
export type Comfort = { [K in keyof typeof COMFORT]: (typeof COMFORT)[K][number] };

export const USUAL: Comfort = {
  size: "usual",
  width: "usual",
  space: "usual",
  face: "serif",
  ground: "usual",
};

export const COMFORT_WORDS: Record<keyof Comfort, { name: string; words: readonly string[] }> = {
  size: { name: "Size", words: ["Small", "Usual", "Large", "Larger", "Largest"] },
  width: { name: "Width", words: ["Narrow", "Usual", "Wide"] },
  space: { name: "Space between letters and lines", words: ["Usual", "Wide"] },
  face: { name: "Letters", words: ["With serifs", "Without"] },
  ground: { name: "Ground", words: ["As everywhere", "Warm", "Dark"] },
};

/** What was stored, whatever it is, as something that can be shown. */
export function asComfort(raw: unknown): Comfort {
  const given = (typeof raw === "object" && raw !== null ? raw : {}) as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(COMFORT).map(([name, values]) => [
      name,
      (values as readonly unknown[]).includes(given[name]) ? given[name] : USUAL[name as keyof Comfort],
    ]),
  ) as Comfort;
}

/** A place of one copy in another one of another length, as far as that can be said. */
export const placeIn = (place: number, was: number, is: number): number =>
  was > 0 ? Math.min(is, Math.max(0, Math.round((place / was) * is))) : 0;

/** How many minutes are left from a place of a text on; at least one, until its end. */
export const minutesLeft = (minutes: number, place: number, length: number): number =>
  length > 0 ? Math.ceil(minutes * Math.max(0, 1 - place / length)) : 0;
