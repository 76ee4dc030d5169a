import { asPublished } from "../editions/as-published";
import {
  type EditionCollection,
  type EditionContent,
  type EditionItem,
  itemsIn,
  withInside,
} from "../editions/content";
import { linkTo, pathOfFile } from "../formats/path-in-folder";
import { type Credit, creditsOf } from "../licence/credit";
import { copyDocument } from "./copy-document";
import type { Door, PublishedCollection, PublishedItem, PublishedSection } from "./model";
import { html } from "./html";
import { plainDocument } from "./plain-document";
import { readerDocument } from "./reader-document";
import { type ReferencesForReaders, referencesDocument } from "./references-document";
import type { ReaderPlaces } from "./reader-places";

/** Where the letters of the pages lie in the folder. */
export const LETTERS = "letters";
const TOP = "index.html";
const EVERYTHING = "everything.html";
const CREDITS = "credits.html";
const REFERENCES = "references.html";

/** What lies in a folder; every path is relative to it. */
export type Folder = {
  pages: { path: string; text: string }[];
  /** Reading copies: `hash` of the stored text, and what draws the page when it has been read. */
  copies: { path: string; hash: string; draw: (text: string) => string }[];
  /** Stored files that are put in as they are. */
  files: { path: string; hash: string }[];
};

/**
 * The pages readers get of a collection with everything inside, as a folder that works from a stick: every link among them
 * is relative, nothing is asked of the net but what a reader opens.
 * @param content what readers see
 * @param at when it was so
 * @param copies whether every reading copy goes along, or only those readers are given anyway
 * @param captions those of films and sounds, as WebVTT, by their hashes
 * @param within what it stands in, where that holds its letters and stored files already
 */
export function folderOf(
  content: EditionContent,
  at: Date,
  copies: "shown" | "all",
  captions: ReadonlyMap<string, string>,
  within: Within = {},
): Folder {
  const all = withInside(content.collection);
  const items = new Map(all.flatMap(itemsIn).map((item) => [item.id, item]));
  const paths = new Map(all.map(({ id }, i) => [id, i === 0 ? TOP : `part-${i + 1}.html`]));
  const credits = creditsOf([...items.values()].filter((item) => item.look === "item"));
  const places = {
    ...placesIn(paths, items, all.length > 1, captions),
    ...(credits.length && { credits: CREDITS }),
    ...(within.references && { references: REFERENCES }),
    ...(within.letters && { fonts: within.letters }),
    ...(within.stored && storedIn(within.stored, items)),
  };
  const drawn = all.map(({ id }, i) => {
    const part = asPublished(content, i === 0 ? null : id, { audience: "link", framedBy: "", keptAt: at })!;
    return { path: paths.get(id)!, collection: copies === "all" ? withAllCopies(part, items) : part };
  });
  const page = (path: string, collection: PublishedCollection) => ({
    path,
    text: readerDocument({ ...collection, givesReferences: Boolean(within.references) }, collection.view, {
      ...{ ...places, self: path },
      everything: path === EVERYTHING ? null : places.everything,
    }),
  });
  return {
    pages: [
      ...(credits.length
        ? [{ path: CREDITS, text: creditsDocument(content.collection, credits, places.fonts!) }]
        : []),
      ...(within.references
        ? [{ path: REFERENCES, text: referencesIn(content.collection, within.references, places.fonts!) }]
        : []),
      ...drawn.map(({ path, collection }) => page(path, collection)),
      ...(all.length > 1 ? [page(EVERYTHING, everythingIn(drawn.map((one) => one.collection)))] : []),
    ],
    copies: drawn.flatMap(({ path, collection }) =>
      collection.sections
        .flatMap((section) => section.items)
        .flatMap((item) => {
          const text = items.get(item.id)?.text;
          if (!item.copy || !text) return [];
          const from = {
            title: collection.title,
            address: `../${path}#i-${item.id}`,
            fonts: `../${LETTERS}`,
          };
          return {
            ...{ path: copyAt(item), hash: text.hash },
            draw: (html: string) => copyDocument(item, html, from, new Date(text.at)),
          };
        }),
    ),
    files: within.stored ? [] : filesIn(all, items),
  };
}

/** Where letters and stored files lie, when that is not in the folder itself; and what goes along besides. */
type Within = {
  letters?: string;
  stored?: (hash: string) => string;
  /** Its bibliography, and what the style is called. */
  references?: Pick<ReferencesForReaders, "style" | "groups"> | null;
};

const storedIn = (stored: (hash: string) => string, items: ReadonlyMap<string, EditionItem>) => ({
  picture: stored,
  file: ({ id }: { id: string }) => stored(items.get(id)!.file!.hash),
});

const referencesIn = (
  { title, language }: EditionCollection,
  references: NonNullable<Within["references"]>,
  fonts: string,
): string => referencesDocument({ ...{ title, language, fonts, address: TOP }, ...references });

/** Whose works stand here, and under which licences. */
const creditsDocument = (
  { title, language }: EditionCollection,
  credits: readonly Credit[],
  fonts: string,
): string =>
  plainDocument(
    { title: "Credits", of: { title, address: TOP }, language, fonts },
    html`<ul>${credits.map(
      (one) => html`<li>${led(one.words, one.address)}, ${led(one.licence, one.licenceAddress ?? "")}</li>`,
    )}</ul>`,
  );
const led = (words: string, address: string) =>
  /^https?:/.test(address) ? html`<a href="${address}" rel="noreferrer">${words}</a>` : html`${words}`;

const copyAt = ({ id }: { id: string }) => `copies/${id}.html`;
const pictureAt = (hash: string) => `pictures/${hash}.webp`;

function placesIn(
  paths: ReadonlyMap<string, string>,
  items: ReadonlyMap<string, EditionItem>,
  isCourse: boolean,
  captions: ReadonlyMap<string, string>,
): ReaderPlaces {
  return {
    ...{ self: TOP, home: null, site: "", fonts: LETTERS, view: null },
    everything: isCourse ? EVERYTHING : null,
    picture: pictureAt,
    file: ({ id }) => linkTo(pathOfFile(items.get(id)!.file!)),
    // Beside a page that is a file browsers read no captions; within it they do.
    captions: (item) => {
      const said = item.captions && captions.get(item.captions);
      return said ? `data:text/vtt;charset=utf-8,${encodeURIComponent(said)}` : null;
    },
    copy: copyAt,
    door: ({ part }: Door) => (part && paths.get(part)) || TOP,
  };
}

const withAllCopies = (
  collection: PublishedCollection,
  items: ReadonlyMap<string, EditionItem>,
): PublishedCollection => ({
  ...collection,
  sections: collection.sections.map((section) => ({
    ...section,
    items: section.items.map((item) => ({
      ...item,
      copy: item.copy ?? (items.get(item.id)?.text ? "chosen" : null),
    })),
  })),
});

/** One page with the items of all collections, to be looked through by letters and kind. */
function everythingIn(all: readonly PublishedCollection[]): PublishedCollection {
  const [top, ...rest] = all as [PublishedCollection, ...PublishedCollection[]];
  const isShown = (item: PublishedItem) => item.look === "item";
  const sections: PublishedSection[] = [top, ...rest].flatMap((one) =>
    one.sections
      .map(({ id, title, items }) => ({
        id: id ?? one.id,
        title: [one === top ? "" : one.title, title].filter(Boolean).join(" · ") || top.title,
        intro: "",
        items: items.filter(isShown),
      }))
      .filter((section) => section.items.length > 0),
  );
  return {
    ...top,
    ...{ title: `Everything in ${top.title}`, description: "", rich: "", view: "rows", use: null },
    ...{ sections, inside: [] },
    way: { above: [{ title: top.title, door: { code: null, part: null } }], before: null, next: null },
  };
}

/** Every stored file the pages show or lead to, once. */
function filesIn(
  all: readonly { cover: string | null }[],
  items: ReadonlyMap<string, EditionItem>,
): Folder["files"] {
  const found = new Map<string, string>();
  for (const { cover } of all) if (cover) found.set(pictureAt(cover), cover);
  for (const { picture, file } of items.values()) {
    if (picture) found.set(pictureAt(picture), picture);
    if (file) found.set(pathOfFile(file), file.hash);
  }
  return [...found].map(([path, hash]) => ({ path, hash }));
}
