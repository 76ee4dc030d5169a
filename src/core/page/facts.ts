/** The kinds of resource. */
export const KINDS = ["page", "video", "document", "picture", "sound", "note"] as const;
export type Kind = (typeof KINDS)[number];

/** How a video or sound is played in place: a media file, or a player page of its own set into a frame. */
export type Player = { type: "file" | "frame"; address: string; mime: string | null };

/** What could be read from a page or file. Null and empty where the source says nothing. */
export type PageFacts = {
  kind: Kind;
  title: string | null;
  description: string | null;
  siteName: string | null;
  authors: string[];
  /** 2026, 2026-03 or 2026-03-09: as precise as the source. */
  published: string | null;
  /** BCP 47 */
  language: string | null;
  /** The licence it says it is under, by its id (core/licence). */
  licence: string | null;
  /** Addresses of pictures, the best first. */
  pictures: string[];
  words: number | null;
  pages: number | null;
  seconds: number | null;
  player: Player | null;
  /** The address the page names as its own, when on the same host. */
  canonical: string | null;
  /** Where an oEmbed description of the page can be fetched. */
  oembed: string | null;
};

/** Why nothing could be read. The words for people are in `sayProblem`. */
export type FetchProblem =
  | "not-found"
  | "needs-sign-in"
  | "certificate"
  | "site-error"
  | "refused-status"
  | "timeout"
  | "too-large"
  | "guarded"
  | "no-answer"
  | "not-a-page"
  | "too-many-redirects"
  | "robots"
  | "slow"
  | "scanned"
  | "locked"
  | "internal";

const WORDS: Record<FetchProblem, string> = {
  "not-found": "The site answers that there is no such page.",
  "needs-sign-in": "The site shows this page only to people it knows.",
  certificate: "The site does not prove who it is: its certificate is wrong, or has run out.",
  "site-error": "The site had an error of its own.",
  "refused-status": "The site refused to give the page.",
  timeout: "The site took longer than 10 seconds to answer.",
  "too-large": "The page is larger than 5 MB, so it was not read.",
  guarded: "The address leads into a private network, so it was not opened.",
  "no-answer": "No site answers at this address.",
  "not-a-page": "The address gives a file that is neither a page nor a document.",
  "too-many-redirects": "The site sends from address to address without end.",
  robots: "The site asks programs to stay away.",
  slow: "Its text could not be taken out in time. Fetching it again tries once more.",
  scanned:
    "Its pages are pictures of text, so there is nothing to read or to search here. Run it through text recognition and bring it in again.",
  locked:
    "It is locked by a password, so nothing of it can be read here. Save it without one and bring it in again.",
  internal: "Something went wrong on our side.",
};

/** What is so of the thing itself; fetching it again changes nothing. */
const OF_ITSELF: Partial<Record<FetchProblem, string>> = {
  scanned: "Pages of pictures: nothing to read or to search. Run text recognition, and bring it in again.",
  locked: "Locked by a password: nothing of it can be read. Save it without one, and bring it in again.",
};

/**
 * The same in few words, for a list.
 * @returns words, and whether it is so of the thing itself, whatever is tried again
 */
export const sayProblemShort = (problem: FetchProblem): { words: string; ofItself: boolean } => ({
  words: OF_ITSELF[problem] ?? "Could not be read; the address is kept.",
  ofItself: problem in OF_ITSELF,
});

/** One plain sentence about what happened; what was saved is safe and can be fetched again. */
export function sayProblem(problem: FetchProblem): string {
  return WORDS[problem];
}
