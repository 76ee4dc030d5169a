/** How a page describes itself; real pages differ in just this. */
export type Manner =
  | "card" // Open Graph
  | "linked" // JSON-LD only
  | "library" // Dublin Core
  | "journal" // Highwire citation tags
  | "plain" // title and description
  | "poor" // next to nothing
  | "wall" // a cookie wall before the text
  | "watch" // video: oEmbed and a player page
  | "clip" // video: og:video, a file
  | "film" // video: JSON-LD VideoObject
  | "listen" // sound: og:audio
  | "episode"; // sound: JSON-LD

export type Page = {
  path: string;
  title: string;
  about: string;
  by?: string[];
  on?: string;
  minutes: number;
  manner: Manner;
  charset?: "windows-1252" | "shift_jis";
  lang?: string;
  body?: string[];
};

export type Site = { name: string; host: string; pages: Page[] };

/** One page, in the order in which they are told apart. */
export const p = (
  path: string,
  title: string,
  about: string,
  manner: Manner,
  minutes: number,
  by = "",
  on = "",
  more: Partial<Page> = {},
): Page => ({
  path,
  title,
  about,
  manner,
  minutes,
  by: by ? by.split(" & ") : undefined,
  on: on || undefined,
  ...more,
});
