import type { Served } from "../outcomes/served";
import type { Yarn } from "../cover/weave";
import { type Look, type View, VIEWS } from "../list/view-setting";
import type { Kind, Player } from "../page/facts";
import type { From } from "../shelves/from";
import type { Clip } from "./clip";

/** Who can see a collection. */
export const AUDIENCES = ["team", "link", "public"] as const;
export type Audience = (typeof AUDIENCES)[number];

/** Whether who may see a collection sees those inside it, too, or this level only. */
export const REACHES = ["all", "level"] as const;
export type Reach = (typeof REACHES)[number];

/** Whether readers see a collection as it stands, or its newest edition. */
export const SHOWS = ["living", "edition"] as const;
export type Shows = (typeof SHOWS)[number];

/** What the same material is used as: a template it begins from, and what its page offers besides. */
export const USES = ["newsletter", "lesson", "portfolio"] as const;
export type Use = (typeof USES)[number];

/** The views a reader can be given: all of them. */
export const READER_VIEWS = VIEWS;
export type ReaderView = View;

export type PublishedItem = {
  id: string;
  kind: Kind;
  /** The curator's own heading here, or empty. */
  heading: string;
  context: string;
  /** A note may stand as text between the items; its words are the description. */
  look: Look;
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
  /** Under which licence it is, by its id (core/licence); empty: nobody knows. */
  licence?: string;
  /** Hash of the kept picture. */
  picture: string | null;
  player: Player | null;
  /** As BCP 47 has it; null: it is not known. */
  language: string | null;
  /** Of a quotation: its words. */
  quotation: string | null;
  /** Why readers are given the reading copy that is kept; null: they are not, or there is none. */
  copy: "gone" | "chosen" | null;
  /** Whether its file is a PDF. */
  isPdf: boolean;
  /** Id of the resource, when it is a file; its bytes are served with the page. */
  file: string | null;
  addedAt: Date;
  /** Of a film or a sound: the hash of its captions. */
  captions?: string;
  /** Of a film or a sound: which part of it is meant; left out: all of it. */
  clip?: Clip;
  /** From where it was taken with credit; left out: it was placed here. */
  from?: From;
  /** Of what leads to a collection, and shows it as it is now: how much is in that. */
  opens?: Woven;
  /** Of a public collection that is shown here live: its id. */
  shownLive?: string;
  /** What its readers are shown of that now. */
  theirs?: Theirs;
};

/** An item of others, where their collection is shown in ours. */
export type TheirItem = Pick<
  PublishedItem,
  "id" | "kind" | "title" | "context" | "address" | "siteName" | "host" | "minutes" | "language"
>;

/** What the readers of a public collection are shown of it, as it is shown in another one. */
export type Theirs = {
  /** The code it is read at. */
  code: string;
  title: string;
  teamName: string;
  sections: { title: string; items: TheirItem[] }[];
  /** How much is not shown here: items, and collections that stand inside it. */
  more: { items: number; inside: number };
};

export type PublishedSection = {
  id: string | null;
  title: string;
  /** What leads into it: sanitised HTML, or empty. */
  intro: string;
  items: PublishedItem[];
  /** Of a phase of a lesson. */
  phase?: Phase;
  /** Which outcomes it serves, where readers are told. */
  serves?: Served[];
};

/** What happens in a phase of a lesson. */
type Phase = {
  /** How long it takes; null: nobody has said. */
  minutes: number | null;
  /** What the teacher does; empty for readers, who are learners. */
  teacher: string;
  learners: string;
};

/** A collection as it leaves the team: for the reader's page and for every file format. */
export type PublishedCollection = {
  id: string;
  title: string;
  description: string;
  /** The description with its marks: sanitised HTML, or empty. */
  rich: string;
  /** Hash of the picture on its cover; null: it is woven. */
  cover: string | null;
  teamName: string;
  audience: Audience;
  view: ReaderView;
  use: Use | null;
  /** As BCP 47 has it, or empty. */
  language: string;
  /** Whether its readers are given its bibliography. */
  givesReferences?: boolean;
  /** Which outcomes it serves, where readers are told. */
  serves?: Served[];
  /** From where it was taken with credit; left out: it was made here. */
  from?: From;
  /** Which other sites may set it into their pages, as CSP's frame-ancestors has them. */
  framedBy: string;
  createdAt: Date;
  updatedAt: Date;
  sections: PublishedSection[];
  /** Collections that stand in this one and may be seen by the same people. */
  inside: InsideCollection[];
  /** Where it stands in what is shared as one; null when it stands for itself. */
  way: Way | null;
};

/** An edition as its readers are told of it. */
export type EditionSaid = {
  number: number;
  at: Date;
  words: string;
  /** Whether it is an issue of a newsletter. */
  isIssue: boolean;
};

/** What a page says of the editions of its collection. */
export type EditionsSaid = {
  /** The one it shows; null: it shows the collection as it stands now. */
  own: EditionSaid | null;
  /** How many there are; some may have been withdrawn. */
  count: number;
  /** Whether there is a newer one that readers are given, or the collection goes on beside it. */
  isOld: boolean;
  /** Addresses: the list of all; what changed since the one before, if there is one; what readers see first. */
  list: string;
  changes: string | null;
  now: string;
};

/**
 * How readers get to another collection: by its code, or as a part of the one that has the code. Without a code it is the
 * one this page is read by.
 */
export type Door = { code: string | null; part: string | null };

/** How much is in a collection. */
export type Woven = {
  /** Items. */
  count: number;
  minutes: number;
  /** What its piece of the cloth is woven from. */
  cloth: { threads: readonly Yarn[]; tags: readonly string[] };
};

/** What stands in a collection; its items and minutes are its own, without those of what stands in it. */
export type InsideCollection = Woven & {
  id: string;
  title: string;
  door: Door | null;
  inside: InsideCollection[];
};

type Stop = { title: string; door: Door };

/** The way through a course of which a collection is a part. */
export type Way = {
  /** What it stands in, the outermost first. */
  above: Stop[];
  before: Stop | null;
  next: Stop | null;
};

/** A collection with those that stand in it, as far as the asker may see them: what an export takes along. */
export type PublishedTree = { collection: PublishedCollection; inside: PublishedTree[] };

/** Items and minutes of a collection or a section; text between the items is none. */
export function sumUp(sections: readonly PublishedSection[]): { items: number; minutes: number } {
  const items = sections.flatMap((section) => section.items).filter((item) => item.look === "item");
  return { items: items.length, minutes: items.reduce((sum, item) => sum + (item.minutes ?? 0), 0) };
}
