import type { Door, PublishedItem, ReaderView } from "./model";

/** Where a document finds what belongs to it, and what it names. */
export type ReaderPlaces = {
  /** Address of this document, without a query. */
  self: string;
  /** Where the collection that has the code is read, as it stands now; null: nowhere. */
  home: string | null;
  /** The scheme and host all of this stands at, for whoever names it from outside; empty: it stands nowhere. */
  site: string;
  /** Where a kept picture is served. */
  picture: (hash: string) => string;
  /** Where the file of an item is served. */
  file: (item: PublishedItem) => string;
  /** Where the captions of an item are served; null: nowhere. */
  captions: (item: PublishedItem) => string | null;
  /** Where the credits of all works are read, where they have a page of their own. */
  credits?: string;
  /** Where the bibliography is read, where readers are given it. */
  references?: string;
  /** Where the reading copy of an item is read; null: nowhere. */
  copy: ((item: PublishedItem) => string) | null;
  /** Folder of the fonts; null when the document must carry itself. */
  fonts: string | null;
  /** The same in another view; null: there is only this one. */
  view: ((view: ReaderView) => string) | null;
  /** One page with the items of all collections inside, to be looked through; null: there is none. */
  everything: string | null;
  /** Address of another collection that readers may see. */
  door: (door: Door) => string;
};
