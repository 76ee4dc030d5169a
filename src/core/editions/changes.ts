/** Something that is told of, where it stands now or, gone, where it stood. */
export type Told = {
  id: string;
  what: "collection" | "section" | "item" | "text";
  title: string;
  /** Titles of what it stands in, the outermost first, without the whole. */
  where: string[];
  /** Items that came or went with it and are not told of themselves. */
  holds: number;
};

/** Which of its words may change, and how they are called. */
export const WORDED_AS = {
  title: "title",
  heading: "heading",
  context: "context line",
  description: "description",
  intro: "introduction",
  address: "address",
} as const;
export type Worded = keyof typeof WORDED_AS;
export const WORDED = Object.keys(WORDED_AS) as Worded[];

/** What changed from one edition to another. Each thing stands in a list once; of words, once for each that changed. */
export type Changes = {
  added: Told[];
  gone: Told[];
  moved: (Told & { from: string[] })[];
  words: (Told & { of: Worded; before: string; after: string })[];
};

/** How many changes there are. */
export const countOf = ({ added, gone, moved, words }: Changes): number =>
  added.length + gone.length + moved.length + words.length;
