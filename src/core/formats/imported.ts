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

/** Why something of a file stays out, in the words of the person who brings it. */
export const WHY_PASSED = {
  "no-address": "No web address",
  "not-web": "No address of the web",
  nameless: "Nothing that names it",
  broken: "Cannot be read as an entry",
  beyond: "More than is taken at once",
} as const;
/** What stays out of a file: the text of it as it stands there, so that it can be mended, and why. */
export type PassedOver = { text: string; why: keyof typeof WHY_PASSED };

/** What a format's reader gives back. */
export type ImportedFile = {
  root: ImportedFolder;
  /** Entries that are nothing Hobbin keeps, in the order of the file. */
  passedOver: PassedOver[];
  /** The separator of tags where the format fixes it; otherwise it is found from the texts. */
  separator?: TagSeparator;
};
export type TagSeparator = "comma" | "semicolon" | "space" | "bar" | "none";

/** Every link of a folder and of those in it, in their order. */
export const linksIn = (folder: ImportedFolder): ImportedLink[] =>
  folder.children.flatMap((child) => (child.type === "link" ? [child] : linksIn(child)));

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
