import { licenceAddress } from "../licence/known";
import type { PublishedCollection, PublishedItem } from "./model";

/** schema.org's type of each kind of thing; a note is no work of its own. */
const TYPES = {
  page: "WebPage",
  video: "VideoObject",
  document: "DigitalDocument",
  picture: "ImageObject",
  sound: "AudioObject",
  note: "CreativeWork",
} as const;

/**
 * The collection by the terms of schema.org (https://schema.org/Collection, LearningResource).
 * @param at its name as a URI, and its address where it has one
 * @param inside what stands in it, described already
 */
export function linkedData(
  collection: PublishedCollection,
  at: { id: string; url?: string },
  inside: readonly object[] = [],
) {
  const items = collection.sections
    .flatMap((section) => section.items)
    .filter((item) => item.look === "item");
  const minutes = items.reduce((sum, item) => sum + (item.minutes ?? 0), 0);
  return {
    "@type": ["Collection", "LearningResource"],
    "@id": at.id,
    ...(at.url && { url: at.url }),
    name: collection.title,
    ...(collection.description && { description: collection.description }),
    ...(collection.language && { inLanguage: collection.language }),
    dateCreated: collection.createdAt.toISOString(),
    dateModified: collection.updatedAt.toISOString(),
    creator: { "@type": "Organization", name: collection.teamName },
    ...(minutes && { timeRequired: `PT${minutes}M` }),
    collectionSize: items.length,
    isAccessibleForFree: true,
    ...basedOn(collection),
    hasPart: [...items.map(partOf), ...inside],
  };
}

const partOf = (item: PublishedItem) => ({
  "@type": item.opens ? "Collection" : TYPES[item.kind],
  name: item.heading || item.title,
  ...(item.address && { url: item.address }),
  ...(item.context && { abstract: item.context }),
  ...(item.authors.length && { author: item.authors.map((name) => ({ "@type": "Person", name })) }),
  ...(item.published && { datePublished: item.published }),
  ...(item.language && { inLanguage: item.language }),
  ...licenceOf(item),
  ...basedOn(item),
  ...(item.minutes && { timeRequired: `PT${item.minutes}M` }),
});

/** From where it was taken with credit (https://schema.org/isBasedOn). */
const basedOn = ({ from }: Pick<PublishedItem, "from">) =>
  from
    ? {
        isBasedOn: {
          "@type": "Collection",
          name: from.title,
          creator: { "@type": "Organization", name: from.teamName },
        },
      }
    : {};

/** schema.org's `license` is an address. */
function licenceOf({ licence }: PublishedItem): { license?: string } {
  const address = licence && licenceAddress(licence);
  return address ? { license: address } : {};
}
