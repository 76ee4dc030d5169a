import type { Kind, Player } from "../page/facts";

/** Who can see a collection. */
export const AUDIENCES = ["team", "link", "public"] as const;
export type Audience = (typeof AUDIENCES)[number];

/** The views a reader can be given. */
export const READER_VIEWS = ["rows", "cards"] as const;
export type ReaderView = (typeof READER_VIEWS)[number];

export type PublishedItem = {
  id: string;
  kind: Kind;
  /** The curator's own heading here, or empty. */
  heading: string;
  context: string;
  title: string;
  description: string;
  address: string;
  host: string;
  siteName: string;
  authors: string[];
  published: string | null;
  minutes: number | null;
  pages: number | null;
  tags: string[];
  /** Hash of the kept picture. */
  picture: string | null;
  player: Player | null;
  /** Id of the resource, when it is a file; its bytes are served with the page. */
  file: string | null;
  addedAt: Date;
};

export type PublishedSection = { id: string | null; title: string; items: PublishedItem[] };

/** A collection as it leaves the team: for the reader's page and for every file format. */
export type PublishedCollection = {
  id: string;
  title: string;
  description: string;
  teamName: string;
  audience: Audience;
  view: ReaderView;
  createdAt: Date;
  updatedAt: Date;
  sections: PublishedSection[];
  /** Collections that stand in this one and may be seen by the same people. */
  inside: { title: string; code: string | null; count: number }[];
};

/** A collection with those that stand in it, as far as the asker may see them: what an export takes along. */
export type PublishedTree = { collection: PublishedCollection; inside: PublishedTree[] };

/** Items and minutes of a collection or a section. */
export function sumUp(sections: readonly PublishedSection[]): { items: number; minutes: number } {
  const items = sections.flatMap((section) => section.items);
  return { items: items.length, minutes: items.reduce((sum, item) => sum + (item.minutes ?? 0), 0) };
}
