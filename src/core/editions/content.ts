import canonicalize from "canonicalize";
import type { PublishedCollection, PublishedItem, PublishedSection, ReaderView } from "../publish/model";

/** A file as it was kept: by the SHA-256 of its content in hexadecimal, with the name and media type it had. */
export type EditionFile = { hash: string; name: string; type: string; bytes: number };

/** The reading copy an item had: the hash of its sanitised HTML, and when it was read. */
export type EditionText = { hash: string; at: string };

export type EditionItem = Omit<PublishedItem, "addedAt" | "file"> & {
  addedAt: string;
  /** Which thing of the catalogue it was, for who brings it back. */
  resource: string;
  file: EditionFile | null;
  text: EditionText | null;
};

export type EditionSection = Omit<PublishedSection, "items"> & { items: EditionItem[] };

/**
 * A collection as its readers saw it, with everything inside that they saw. When it was last touched is not in it: as long as
 * readers would see the same, it is the same.
 */
export type EditionCollection = Pick<
  PublishedCollection,
  "id" | "title" | "description" | "rich" | "cover" | "teamName" | "language" | "use" | "from"
> & {
  view: ReaderView;
  createdAt: string;
  sections: EditionSection[];
  inside: EditionCollection[];
};

/** What stands in the file of an edition. `form` counts the ways in which it was ever written. */
export type EditionContent = { form: 1; collection: EditionCollection };

/** What a placement has besides what readers are shown. */
export type Behind = { resource: string; file: EditionFile | null; text: EditionText | null };

/**
 * A collection as it is kept.
 * @param collection as its readers are shown it
 * @param behind of each item, by its id
 * @param inside what stands in it, kept already
 */
export function asContent(
  collection: PublishedCollection,
  behind: (item: string) => Behind,
  inside: readonly EditionCollection[],
): EditionCollection {
  const { id, title, description, rich, cover, teamName, language, use, view, createdAt, from } = collection;
  return {
    ...(from && { from }),
    ...{ id, title, description, rich, cover, teamName, language, use, view },
    createdAt: createdAt.toISOString(),
    sections: collection.sections.map((section) => ({
      ...section,
      items: section.items.map(({ addedAt, ...item }) => ({
        ...item,
        addedAt: addedAt.toISOString(),
        ...behind(item.id),
      })),
    })),
    inside: [...inside],
  };
}

/**
 * The bytes of an edition: the same content has the same bytes and so the same digest, wherever and in whatever order it
 * was put together (RFC 8785, JSON Canonicalization Scheme).
 */
export const contentBytes = (kept: EditionContent): Uint8Array =>
  new TextEncoder().encode(canonicalize(kept)!);

/** What was written with `contentBytes`. */
export const readContent = (bytes: Uint8Array): EditionContent =>
  JSON.parse(new TextDecoder().decode(bytes)) as EditionContent;

/** A kept collection and all those inside it, from the top down. */
export const withInside = (top: EditionCollection): EditionCollection[] => [
  top,
  ...top.inside.flatMap(withInside),
];

/** A collection alone, without what stands in it. */
export const withoutInside = (one: EditionCollection): EditionCollection => ({ ...one, inside: [] });

/** A collection with only these items; sections that are left empty go, and so does what stands inside. */
export const withOnly = (one: EditionCollection, ids: ReadonlySet<string>): EditionCollection => ({
  ...withoutInside(one),
  sections: one.sections
    .map((section) => ({ ...section, items: section.items.filter((item) => ids.has(item.id)) }))
    .filter((section) => section.items.length > 0),
});

/** Its items in their order, without those of what stands in it. */
export const itemsIn = (one: EditionCollection): EditionItem[] =>
  one.sections.flatMap((section) => section.items);

/** Every stored file an edition needs to be seen again, by its hash: pictures, files, reading copies. */
export function filesOf(kept: EditionContent): Set<string> {
  const hashes = new Set<string>();
  for (const one of withInside(kept.collection)) {
    if (one.cover) hashes.add(one.cover);
    for (const { picture, captions, file, text } of itemsIn(one))
      for (const hash of [picture, captions, file?.hash, text?.hash]) if (hash) hashes.add(hash);
  }
  return hashes;
}
