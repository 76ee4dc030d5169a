import type { Answer } from "@/services/registry";

/** A resource in its place in the collection. */
export type Item = Answer<"collections.items">["items"][number] & {
  /** Shown before it is saved. */
  pending?: boolean;
  /** A text between the items that has no words yet, and is only here until it has some. */
  draft?: Landing;
};
export type Section = Answer<"collections.read">["sections"][number];

/** A resource on the supply side. */
export type Supplied = Answer<"resources.newest">["resources"][number] & {
  /** Of what others have made public: in which collection of theirs it stands, and why; it is not of the catalogue yet. */
  lent?: { from: string; context: string };
};

/** Where something would come to stand: in a section (null: before the first), behind an item (null: first there). */
export type Landing = { section: string | null; after: string | null };

/** Texts of the resource itself, which are the same wherever it stands. */
export type Mending = "title" | "description" | "siteName" | "authors" | "published" | "notes";

/** What is asked in a small window before something is done with the chosen items. */
export type Asking = { what: "move" | "copy" | "tag" | "untag" | "kind" | "cite" | "save"; ids: string[] };

/** The field of an item's details that gets the focus when they open. */
export type DetailField = "context" | "heading" | "tags" | "talk";
