/** What a file of another tool holds, whatever its format: folders with links in them, in order. */
export type ImportedLink = {
  type: "link";
  address: string;
  title: string;
  heading: string;
  context: string;
  tags: string[];
  addedAt: Date | null;
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
