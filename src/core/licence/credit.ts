import { type Licence, licenceAddress, sayLicence } from "./known";

/** What of a work its credit names. */
type Credited = {
  title: string;
  authors: readonly string[];
  siteName: string;
  host: string;
  address: string;
  licence?: Licence;
};

/** The credit of a work: its words before the licence, what the licence is called, and where both lead. */
export type Credit = { words: string; licence: string; address: string; licenceAddress: string | null };

/**
 * A work's title, author, source and licence, in one line, as Creative Commons recommends for attribution
 * (https://wiki.creativecommons.org/wiki/Recommended_practices_for_attribution: title, author, source, licence).
 * @returns null where nobody knows its licence
 */
function creditOf({ title, authors, siteName, host, address, licence }: Credited): Credit | null {
  if (!licence) return null;
  const source = siteName || host;
  const by = authors.filter((name) => name !== source);
  const words = [
    `“${title.trim() || "Untitled"}”`,
    by.length ? ` by ${by.slice(0, 5).join(", ")}${by.length > 5 ? " and others" : ""}` : "",
    source ? `, ${source}` : "",
  ].join("");
  return { words, licence: sayLicence(licence), address, licenceAddress: licenceAddress(licence) };
}

/** The credits of works, each once, in their order. */
export function creditsOf(works: readonly Credited[]): Credit[] {
  const all = works.flatMap((work) => creditOf(work) ?? []);
  return [...new Map(all.map((one) => [JSON.stringify(one), one])).values()];
}
