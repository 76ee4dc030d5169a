import type { Reference } from "../cite/reference";

/** What a file of another tool holds, whatever its format: folders with links in them, in order. */
export type ImportedLink = {
  type: "link";
  /** As the file has it; empty where a reference or a note has none. */
  address: string;
  title: string;
  heading: string;
  context: string;
  /** All tags in one text, as the file writes them; `splitTags` takes them apart once the separator is known. */
  tagText: string;
  addedAt: Date | null;
  /** Bibliographic fields, where the file has them. */
  reference?: Reference;
};
export type ImportedFolder = {
  type: "folder";
  title: string;
  description: string;
  /** Marked in the file as a section of the collection around it. */
  section: boolean;
  addedAt: Date | null;
  children: (ImportedFolder | ImportedLink)[];
};

/** What a format's reader gives back. */
export type ImportedFile = {
  root: ImportedFolder;
  /** Entries that are nothing Hobbin keeps: scripts, browser pages, separators with a name. */
  passedOver: number;
  /** The separator of tags where the format fixes it; otherwise it is found from the texts. */
  separator?: TagSeparator;
};
export type TagSeparator = "comma" | "semicolon" | "space" | "bar" | "none";

/** A folder with nothing in it yet. */
export const emptyFolder = (title = ""): ImportedFolder => ({
  type: "folder",
  title,
  description: "",
  section: false,
  addedAt: null,
  children: [],
});

/**
 * A link of which only the address is known.
 * @param address as it stands in the file, not looked at yet
 * @param rest what else the file says of it
 */
export const bareLink = (address: string, rest: Partial<ImportedLink> = {}): ImportedLink => ({
  type: "link",
  address,
  title: "",
  heading: "",
  context: "",
  tagText: "",
  addedAt: null,
  ...rest,
});
