/** From where something was taken with credit, as that was then. */
export type From = {
  title: string;
  teamName: string;
  /** The number of the edition its readers were given; null: they were shown it as it stood. */
  edition: number | null;
  /** The day it was taken, as 2026-12-03. */
  day: string;
  /** The code at which its readers found it. */
  code: string;
};

/** Title, maker, and which state of it: what a credit names besides the licence (common practice, from memory). */
export const sayFrom = ({ title, teamName, edition, day }: Omit<From, "code">): string =>
  `From “${title}” of ${teamName}${edition === null ? "" : `, edition ${edition}`}, ${day}`;

/** What stands in something is not said to be from where all of that is from. */
export const ownFrom = (from: From | undefined, around: From | undefined): From | undefined =>
  from && !(around && sayFrom(from) === sayFrom(around)) ? from : undefined;

/** A section in which that is said only of what is from elsewhere than all of its collection. */
export const withOwnFrom = <S extends { items: { from?: From }[] }>(section: S, around?: From): S =>
  section.items.some((item) => item.from)
    ? { ...section, items: section.items.map((item) => ({ ...item, from: ownFrom(item.from, around) })) }
    : section;
