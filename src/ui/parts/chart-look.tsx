import type { CSSProperties } from "react";

/** The look of every chart: small words, hairlines, and what is said of a bar on a sheet of its own. */
export const TICK = { fill: "var(--quiet)", fontSize: 13 };
export const NAMED_TICK = { fill: "var(--ink)", fontSize: 13 };
export const SAID: CSSProperties = {
  background: "var(--sheet)",
  border: "1px solid var(--line)",
  borderRadius: 6,
  color: "var(--ink)",
};
export const POINTED_AT = { fill: "var(--accent-wash)" };

/** Stripes for what stands beside something filled, so that both are told apart without colour. Within `defs`. */
export const Stripes = ({ id, colour }: { id: string; colour: string }) => (
  <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
    <rect width="6" height="6" fill="var(--sheet)" />
    <rect width="3" height="6" fill={colour} />
  </pattern>
);

/** A name that fits beside a bar. */
export const shortName = (words: string, most: number): string =>
  words.length > most ? `${words.slice(0, most - 1).trimEnd()}…` : words;
