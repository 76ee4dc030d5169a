/** What is known of a resource that bears on a judgement. */
export type Known = {
  published: string | null;
  authors: readonly string[];
  siteName: string;
  host: string;
};

/** Whether there is something to tell beside a question, whatever it is. */
export const isHinted = (criterion: string): boolean => criterion === "currency" || criterion === "authority";

/**
 * What Hobbin can tell beside a question: facts, and never a verdict. There is something to tell for those questions alone
 * that go by what is known: how old it is, and who says it.
 * @param criterion the id of the question
 * @param year which year it is
 */
export function hintsFor(criterion: string, known: Known, year: number): string[] {
  if (criterion === "currency") {
    const published = known.published && Number(known.published.slice(0, 4));
    if (!published) return ["It does not say when it was published."];
    const age = year - published;
    const old = age < 1 ? "this year" : age === 1 ? "a year ago" : `${age} years ago`;
    return [`Published ${known.published}: ${old}.`];
  }
  if (criterion === "authority") {
    const site = known.siteName || known.host;
    return [
      known.authors.length ? `By ${known.authors.slice(0, 3).join(", ")}.` : "It names no author.",
      ...(site ? [`On ${site}.`] : []),
    ];
  }
  return [];
}
