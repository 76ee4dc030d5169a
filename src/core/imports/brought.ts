import type { Reference } from "../cite/reference";
import type { ImportedFile, ImportedFolder, PassedOver, TagSeparator } from "../formats/imported";
import { findSeparator } from "./split-tags";

/** Where lines go: a collection, or a section of the collection `parent` names by its number in the list. */
export type BroughtPlace = {
  title: string;
  description: string;
  /** Number of the place around this one; null at the top. */
  parent: number | null;
  section: boolean;
  addedAt: string | null;
};

/** One thing to bring in. */
export type BroughtLine = {
  address: string;
  title: string;
  heading: string;
  context: string;
  tagText: string;
  addedAt: string | null;
  /** Number of the place it goes to; null: where the person says for all. */
  place: number | null;
  reference: Reference | null;
  /** Text of a note, for a line without an address. */
  note: string;
  /** The person left it out on purpose; it is only noted. */
  out?: boolean;
};

/**
 * A line of which only the address is known.
 * @param rest what else is
 */
export const bareLine = (address: string, rest: Partial<BroughtLine> = {}): BroughtLine => ({
  address,
  title: "",
  heading: "",
  context: "",
  tagText: "",
  addedAt: null,
  place: null,
  reference: null,
  note: "",
  ...rest,
});

/** A whole file, flat: places before the lines that stand in them, everything in the order of the file. */
export type Brought = {
  places: BroughtPlace[];
  lines: BroughtLine[];
  passedOver: PassedOver[];
  separator: TagSeparator;
};

/** Bounds of one import, so that a broken or hostile file is refused with a word instead of filling the memory. */
export const MOST_LINES = 500_000;
const DEEPEST_TREE = 24;

const brokenTree = "This file is nested deeper than 24 folders; flatten it a little first.";

/**
 * Lays the tree of a file out flat. Links beside folders at the top go to a place of their own that has the file's
 * title; a section that holds folders becomes a collection after all.
 * @param name of the file, without its ending: the title where the file gives none
 */
export function layOut({ root, passedOver, separator }: ImportedFile, name: string): Brought {
  const places: BroughtPlace[] = [];
  const lines: BroughtLine[] = [];
  const put = (folder: ImportedFolder, place: number | null) => {
    for (const child of folder.children)
      if (child.type === "link")
        lines.push({
          address: child.address,
          title: child.title,
          heading: child.heading,
          context: child.context,
          tagText: child.tagText,
          addedAt: child.addedAt?.toISOString() ?? null,
          place,
          reference: child.reference ?? null,
          note: "",
        });
  };
  const walk = (folder: ImportedFolder, parent: number | null, depth: number) => {
    if (depth > DEEPEST_TREE) throw new Error(brokenTree);
    const place = places.push(asPlace(folder, parent, false)) - 1;
    put(folder, place);
    for (const child of folder.children) {
      if (child.type === "link") continue;
      const section = child.section && child.children.every((inner) => inner.type === "link");
      if (section) put(child, places.push(asPlace(child, place, true)) - 1);
      else walk(child, place, depth + 1);
    }
  };
  const folders = root.children.filter((child) => child.type === "folder");
  const loose = root.children.filter((child) => child.type === "link");
  const sections = folders.filter((one) => one.section);
  if (loose.length || sections.length) {
    walk({ ...root, title: root.title || name, children: [...loose, ...sections] }, null, 0);
    for (const folder of folders) if (!folder.section) walk(folder, null, 0);
  } else for (const folder of folders) walk(folder, null, 0);
  return {
    places,
    lines,
    passedOver,
    separator: separator ?? findSeparator(lines.map((line) => line.tagText).filter(Boolean)),
  };
}

/**
 * The first lines of what was brought; the others are passed over, and named.
 * @param most so many lines are taken
 */
export function atMost(brought: Brought, most: number): Brought {
  if (brought.lines.length <= most) return brought;
  const beyond = brought.lines
    .slice(most)
    .map((line): PassedOver => ({ text: line.address || line.title || line.note, why: "beyond" }));
  return {
    ...brought,
    lines: brought.lines.slice(0, most),
    passedOver: [...brought.passedOver, ...beyond],
  };
}

const asPlace = (folder: ImportedFolder, parent: number | null, section: boolean): BroughtPlace => ({
  title: folder.title.trim().slice(0, 200) || "Without a name",
  description: folder.description.slice(0, 4000),
  parent,
  section,
  addedAt: folder.addedAt?.toISOString() ?? null,
});
