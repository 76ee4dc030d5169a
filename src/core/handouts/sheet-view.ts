import { type EditionCollection, type EditionItem, itemsIn, withInside } from "../editions/content";
import { type Shown, shownOf } from "./three-way";

/** What a learner did with one item, as it is kept. */
export type Written = {
  item: string;
  /** The edition it stood in when they wrote. */
  edition: string;
  done: boolean;
  context: string | null;
  contextFrom: string | null;
  answer: string;
  note: string;
};
/** What a learner found. */
export type Find = { id: string; section: string | null; address: string; title: string; context: string };

/** An item of a handout as its learner sees it. */
export type SheetItem = Pick<
  EditionItem,
  | "id"
  | "kind"
  | "look"
  | "title"
  | "description"
  | "address"
  | "host"
  | "siteName"
  | "minutes"
  | "pages"
  | "quotation"
> & {
  heading: string;
  /** Why it stands here. */
  context: Shown;
  /** Whether these words are the learner's. */
  isOwn: boolean;
  hasFile: boolean;
  done: boolean;
  answer: string;
  note: string;
  /** A correction took it out; it is here for what the learner wrote. */
  gone: boolean;
};
export type SheetSection = {
  id: string | null;
  title: string;
  intro: string;
  items: SheetItem[];
  finds: Find[];
};
/** A collection on a sheet: the one that was handed out, and each that stands in it. */
export type SheetPart = { id: string; title: string; description: string; sections: SheetSection[] };

/** Whether there are words of the learner here. */
export const hasWords = ({ context, answer, note }: Pick<Written, "context" | "answer" | "note">): boolean =>
  context !== null || answer !== "" || note !== "";

/** The items of an edition that can be done, in their order. */
export const itemsToDo = (top: EditionCollection): string[] =>
  withInside(top)
    .flatMap(itemsIn)
    .filter((item) => item.look === "item")
    .map((item) => item.id);

/**
 * A handout as one learner sees it: what is given now, with what they did. What a correction took out stays where it was as
 * long as there are words of theirs at it.
 * @param now what is given
 * @param written what they did, by item
 * @param finds what they found, in order
 * @param earlier the editions they wrote in, by id, as far as an item is in `now` no more
 * @returns the collections of the sheet, from the top down
 */
export function sheetView(
  now: EditionCollection,
  written: readonly Written[],
  finds: readonly Find[],
  earlier: ReadonlyMap<string, EditionCollection>,
): SheetPart[] {
  const own = new Map(written.map((one) => [one.item, one]));
  const parts = withInside(now).map(({ id, title, description, sections }) => ({
    ...{ id, title, description },
    sections: sections.map((section) => ({
      ...{ id: section.id, title: section.title, intro: section.intro },
      items: section.items.map((item) => shown(item, own.get(item.id), false)),
      finds: [] as Find[],
    })),
  }));
  const sections = parts.flatMap((part) => part.sections);
  const end = parts[0]!.sections.at(-1) ?? addSection(parts[0]!);
  const standing = new Set(sections.flatMap((section) => section.items.map((item) => item.id)));
  for (const one of written)
    if (!standing.has(one.item) && hasWords(one)) putBack(one, earlier.get(one.edition), sections, end);
  for (const find of finds)
    (sections.find((section) => section.id !== null && section.id === find.section) ?? end).finds.push(find);
  return parts;
}

function addSection(part: SheetPart): SheetSection {
  const section = { id: null, title: "", intro: "", items: [], finds: [] };
  part.sections.push(section);
  return section;
}

function shown(item: EditionItem, own: Written | undefined, gone: boolean): SheetItem {
  const { id, kind, look, title, description, address, host, siteName, minutes, pages, quotation, heading } =
    item;
  return {
    ...{ id, kind, look, title, description, address, host, siteName, minutes, pages, quotation, heading },
    context: shownOf(own?.contextFrom ?? null, own?.context ?? null, item.context),
    isOwn: own?.context != null,
    hasFile: item.file !== null,
    ...{ done: own?.done ?? false, answer: own?.answer ?? "", note: own?.note ?? "", gone },
  };
}

/** Puts an item that is given no more behind what it stood behind, or at the beginning of its section, or at the end. */
function putBack(
  own: Written,
  stoodIn: EditionCollection | undefined,
  sections: readonly SheetSection[],
  end: SheetSection,
): void {
  const section =
    stoodIn &&
    withInside(stoodIn)
      .flatMap((one) => one.sections)
      .find((one) => one.items.some((item) => item.id === own.item));
  const at = section?.items.findIndex((item) => item.id === own.item) ?? -1;
  const item = section ? shown(section.items[at]!, own, true) : wordsAlone(own);
  for (const before of (section?.items.slice(0, Math.max(0, at)) ?? []).reverse())
    for (const { items } of sections) {
      const found = items.findIndex((one) => one.id === before.id);
      if (found >= 0) return void items.splice(found + 1, 0, item);
    }
  const home = section && sections.find((one) => one.id !== null && one.id === section.id);
  if (home) home.items.unshift(item);
  else end.items.push(item);
}

/** Of an edition that is gone the words that were written are all there is. */
const wordsAlone = ({ item, context, done, answer, note }: Written): SheetItem => ({
  ...{
    id: item,
    kind: "page" as const,
    look: "item" as const,
    title: "",
    description: "",
    address: "",
    host: "",
  },
  ...{ siteName: "", minutes: null, pages: null, quotation: null, heading: "", hasFile: false, gone: true },
  ...{ context: { words: context ?? "", beside: null }, isOwn: context !== null, done, answer, note },
});
