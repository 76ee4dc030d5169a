import type { Kind } from "../page/facts";

/** What is known of a resource that bears on a judgement. */
export type Known = {
  kind: Kind;
  published: string | null;
  authors: readonly string[];
  siteName: string;
  host: string;
  /** In which other collections it stands. */
  places?: readonly string[];
  /** How hard its language is, in words. */
  level?: string | null;
  /** How many of the links in it were asked (null: nobody knows of any), and which lead nowhere; null: they are being asked. */
  inside?: { asked: number | null; dead: readonly { title: string }[] } | null;
  /** What is judged beside it. */
  others?: readonly { kind: Kind; published: string | null }[];
};

const HINTED = ["currency", "relevance", "authority"] as const;

/** Whether there is something to tell beside a question, whatever it is. */
export const isHinted = (criterion: string): boolean => HINTED.some((one) => one === criterion);

/**
 * What Hobbin can tell beside a question: facts, and never a verdict. There is something to tell for those questions alone
 * that go by what is known: how old it is, for whom it is, and who says it.
 * @param criterion the id of the question
 * @param year which year it is
 */
export function hintsFor(criterion: string, known: Known, year: number): string[] {
  if (criterion === "currency") return [sayAge(known, year), ...sayAmong(known), ...sayInside(known)];
  if (criterion === "relevance") {
    const { places = [], level } = known;
    return [
      ...(level ? [`Its language: ${level.charAt(0).toLowerCase()}${level.slice(1)}.`] : []),
      ...(places.length ? [`It stands in ${sayPlaces(places)}.`] : []),
    ];
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

const yearOf = ({ published }: Pick<Known, "published">): number | null =>
  (published && Number(published.slice(0, 4))) || null;

function sayAge(known: Known, year: number): string {
  const published = yearOf(known);
  if (!published) return "It does not say when it was published.";
  const age = year - published;
  const old = age < 1 ? "this year" : age === 1 ? "a year ago" : `${age} years ago`;
  return `Published ${known.published}: ${old}.`;
}

/** Fewer than this many others say nothing about how old is old. */
const FEW = 3;

/** Whether it is old beside what is of its kind: of the news of a week and of books another age is old. */
function sayAmong(known: Known): string[] {
  const own = yearOf(known);
  const others = (known.others ?? [])
    .filter(({ kind }) => kind === known.kind)
    .flatMap((one) => yearOf(one) ?? []);
  if (!own || others.length < FEW) return [];
  const newer = others.filter((one) => one > own).length;
  return [
    `Of ${others.length} others of its kind here ${newer === 0 ? "none is" : newer === 1 ? "one is" : `${newer} are`} newer.`,
  ];
}

/** How many of the links in it lead nowhere: whoever tends a page tends its links. */
function sayInside({ inside }: Known): string[] {
  if (inside === undefined) return [];
  if (inside === null) return ["The links in it are being asked."];
  const { asked, dead } = inside;
  if (asked === null) return [];
  if (!asked) return ["No links lead out of it."];
  if (!dead.length)
    return [asked === 1 ? "The one link in it leads somewhere." : `All ${asked} links in it lead somewhere.`];
  const named = dead.slice(0, 2).map(({ title }) => `“${title}”`);
  const more = dead.length > named.length ? ` and ${dead.length - named.length} more` : "";
  return [
    `${dead.length} of ${asked} links in it ${dead.length === 1 ? "leads" : "lead"} nowhere: ${named.join(", ")}${more}.`,
  ];
}

function sayPlaces([first, ...more]: readonly string[]): string {
  const quoted = `“${first}”`;
  return more.length ? `${quoted} and ${more.length} more` : quoted;
}
