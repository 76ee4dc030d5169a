import type { Reference } from "../../cite/bibliography";
import { sayClip } from "../../publish/clip";
import { type PublishedCollection, type PublishedItem, type PublishedTree, sumUp } from "../../publish/model";
import { sayInside } from "../../list/course";
import { mostUsedTags, sayWoven } from "../../publish/reader-course";
import { KIND_WORDS } from "../../look/kind-words";
import { isRightToLeft } from "../../text/direction";
import { type Credit, creditsOf } from "../../licence/credit";
import { sayLicence } from "../../licence/known";
import { ownFrom, sayFrom, withOwnFrom } from "../../shelves/from";
import { sayMinutes } from "../../text/minutes";
import type { Run } from "../../cite/runs";
import { type Block, blocksOf, safeAddress } from "../../text/blocks";
import { forPrint } from "./for-print";

/** A collection with everything inside as a document that is set on pages: plain words, in the order in which they stand. */
export type Printed = {
  /** Of the collection. */
  id: string;
  title: string;
  team: string;
  /** As BCP 47 has it. */
  language: string;
  direction: "ltr" | "rtl";
  /** The day it was last changed, as 2026-03-09. */
  day: string;
  keywords: string[];
  /** The bibliography, when one was asked for. */
  references: Reference[];
  /** Whose works stand here, and under which licences, as far as they are known. */
  credits: Credit[];
  parts: PrintedPart[];
  /** Of a sheet for learners: what leads back to the web. */
  sheet?: PrintedSheet;
};

/** The codes of a sheet, as SVG: beside each item what leads to it, at its head what leads to the page itself. */
type PrintedSheet = {
  codes: Readonly<Record<string, string>>;
  head: string;
  /** Where the page is read, as one would type it; empty: nowhere. */
  at: string;
};

/** One collection, and how far down it stands: 1 for the one at the top. */
export type PrintedPart = {
  level: number;
  title: string;
  /** “14 items, 1 h 10 min”, and from where it was taken with credit */
  holds: string;
  about: Block[];
  /** What its piece of cloth is woven from. */
  cloth: {
    threads: { kind: PublishedItem["kind"]; minutes: number | null; tag: string | null }[];
    tags: string[];
  };
  sections: PrintedSection[];
};

export type PrintedSection = {
  /** Empty: what stands before the first one. */
  title: string;
  minutes: string;
  intro: Block[];
  entries: PrintedEntry[];
};

/** An item, or text between the items. */
export type PrintedEntry = {
  /** Of the item. */
  id: string;
  /** Counted through its collection; null: text between the items. */
  number: number | null;
  title: string;
  /** Where the title leads to; empty: nowhere. */
  address: string;
  /** Why it stands here, a paragraph each. */
  context: string[];
  /** Kind, site, authors, length, in one line. */
  source: string;
  quotation: string[];
  about: string[];
  tags: string[];
  picture: { hash: string; alternative: string } | null;
  /** Whether it may take more than a part of a page. */
  long: boolean;
};

/** The bytes of pictures by their hashes. */
export type Pictures = Readonly<Record<string, Uint8Array>>;

/** The collection as a printed document has it. @param references its bibliography, to stand at the end */
export function asPrinted(tree: PublishedTree, references: readonly Reference[] = []): Printed {
  const { collection } = tree;
  const all = itemsIn(tree);
  return {
    id: collection.id,
    title: forPrint(collection.title) || "Untitled",
    team: forPrint(collection.teamName),
    language: collection.language || "en",
    direction: isRightToLeft(collection.language) ? "rtl" : "ltr",
    day: collection.updatedAt.toISOString().slice(0, 10),
    keywords: mostUsedTags(all).slice(0, 20).map(forPrint),
    references: references.map(({ id, label, runs }) => ({
      ...{ id, label: forPrint(label) },
      runs: printable(runs),
    })),
    credits: creditsOf(all.filter((item) => item.look === "item")).map((one) => ({
      ...{ words: forPrint(one.words), licence: one.licence },
      ...{ address: safeAddress(one.address), licenceAddress: one.licenceAddress },
    })),
    parts: partsOf(tree, 1),
  };
}

/** Runs as they can be set; blanks at the ends of one are between words. */
const printable = (runs: readonly Run[]): Run[] =>
  runs.map((run) => ({ ...run, text: run.text.replace(/\S(?:.*\S)?/s, forPrint) })).filter((run) => run.text);

/** Text with marks in it, as it can be set. */
const marked = (html: string): Block[] => blocksOf(html).map(settable);
const settable = (block: Block): Block =>
  block.kind === "words"
    ? { ...block, runs: printable(block.runs) }
    : { ...block, items: block.items.map((item) => item.map(settable)) };
const asBlocks = (text: string): Block[] =>
  paragraphs(text).map((one) => ({ kind: "words", runs: [{ text: one }] }));

const itemsIn = ({ collection, inside }: PublishedTree): PublishedItem[] => [
  ...collection.sections.flatMap((section) => section.items),
  ...inside.flatMap(itemsIn),
];

/** How much there is in all of it: “4 weeks, 1 unit, 29 items, 2 h 30 min”. */
function holdsAll({ collection, inside }: PublishedTree): string {
  const below = (trees: readonly PublishedTree[]): PublishedTree[] =>
    trees.flatMap((one) => [one, ...below(one.inside)]);
  const all = below(inside);
  const sums = [collection, ...all.map((one) => one.collection)].map((one) => sumUp(one.sections));
  const items = sums.reduce((sum, one) => sum + one.items, 0);
  const minutes = sums.reduce((sum, one) => sum + one.minutes, 0);
  return [...sayInside(all.map((one) => one.collection.title)), sayWoven({ count: items, minutes })].join(
    ", ",
  );
}

const partsOf = (tree: PublishedTree, level: number, around?: PublishedCollection): PrintedPart[] => [
  partOf(tree, level, around),
  ...tree.inside.flatMap((one) => partsOf(one, level + 1, tree.collection)),
];

function partOf(tree: PublishedTree, level: number, around?: PublishedCollection): PrintedPart {
  const { collection } = tree;
  const { items, minutes } = sumUp(collection.sections);
  const holds = level === 1 ? holdsAll(tree) : sayWoven({ count: items, minutes });
  const from = ownFrom(collection.from, around?.from);
  const shown = collection.sections
    .flatMap((section) => section.items)
    .filter((item) => item.look === "item");
  let number = 0;
  return {
    level,
    title: forPrint(collection.title) || "Untitled",
    holds: [holds, from && forPrint(sayFrom(from))].filter(Boolean).join(" · "),
    about: collection.rich ? marked(collection.rich) : asBlocks(collection.description),
    cloth: {
      threads: shown.map(({ kind, minutes, tags }) => ({ kind, minutes, tag: tags[0] ?? null })),
      tags: mostUsedTags(shown),
    },
    sections: collection.sections
      .filter((section) => section.id !== null || section.items.length)
      .map((section) => {
        const sum = section.phase ? section.phase.minutes : sumUp([section]).minutes;
        return {
          title: section.id === null ? "" : forPrint(section.title) || "Untitled",
          minutes: sum ? sayMinutes(sum) : "",
          intro: [
            ...marked(section.intro),
            ...asBlocks(section.phase?.teacher ?? ""),
            ...asBlocks(section.phase?.learners ?? ""),
          ],
          entries: withOwnFrom(section, collection.from).items.map((item) =>
            entryOf(item, item.look === "item" ? ++number : null),
          ),
        };
      }),
  };
}

function entryOf(item: PublishedItem, number: number | null): PrintedEntry {
  const site = item.siteName || item.host;
  const authors = item.authors.filter((name) => name !== site);
  const source = [
    KIND_WORDS[item.kind],
    site,
    authors.slice(0, 3).join(", ") + (authors.length > 3 ? " and others" : ""),
    item.published,
    item.pages ? `${item.pages} ${item.pages === 1 ? "page" : "pages"}` : "",
    item.clip ? sayClip(item.clip) : "",
    item.minutes ? sayMinutes(item.minutes) : "",
    item.licence ? sayLicence(item.licence) : "",
    item.from ? sayFrom(item.from) : "",
  ];
  const isText = number === null;
  const words = [item.context, item.quotation ?? "", item.description, item.heading || item.title];
  const tells = isText || item.kind === "note" || !item.context;
  return {
    id: item.id,
    number,
    title: forPrint(isText ? item.heading : item.heading || item.title) || (isText ? "" : "Untitled"),
    address: safeAddress(item.address),
    context: paragraphs(item.context),
    source: isText ? "" : forPrint(source.filter(Boolean).join(" · ")),
    quotation: paragraphs(item.quotation ?? ""),
    about: tells && !item.quotation ? paragraphs(item.description) : [],
    tags: item.tags.map(forPrint),
    long: words.join(" ").length > SHORT,
    picture:
      item.picture && !isText
        ? {
            hash: item.picture,
            alternative: item.kind === "picture" ? forPrint(item.description || item.title) : "",
          }
        : null,
  };
}

/** Letters of an item that take less than half a page. */
const SHORT = 1_200;

const paragraphs = (text: string): string[] =>
  text
    .split(/\n+/)
    .map((line) => forPrint(line.trim()))
    .filter(Boolean);
