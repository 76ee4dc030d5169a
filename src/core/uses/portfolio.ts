import type { PublishedItem, Woven } from "../publish/model";

/** A public collection as a portfolio shows it: as it is now, whatever it was called when it was put in. */
export type Entry = { title: string; description: string; teamName: string; cover: string | null } & Woven;

/** What an address of ours leads into, by its code; `isWhole`: to the collection itself, and not to something within. */
export type Pointed = { code: string; isWhole: boolean };

/**
 * The collection an address points to.
 * @param address of an item
 * @param home where this Hobbin is found, like `https://hobbin.example`
 * @returns null for every address that is not one of a shared collection of this Hobbin
 * @example
 * pointedTo("https://hobbin.example/c/abc", "https://hobbin.example"); // { code: "abc", isWhole: true }
 */
export function pointedTo(address: string, home: string): Pointed | null {
  if (!URL.canParse(address)) return null;
  const url = new URL(address);
  if (url.origin !== home) return null;
  const [, code, rest] = /^\/c\/([^/]+)\/?(.*)$/.exec(url.pathname) ?? [];
  return code ? { code, isWhole: !rest } : null;
}

/**
 * An item of a portfolio as its readers get it: one that points to a collection shows it as it is now, and is not there at
 * all when that is not public any more.
 * @param open the public ones of those that are pointed to, by code
 */
export function asEntry(
  item: PublishedItem,
  home: string,
  open: ReadonlyMap<string, Entry>,
): PublishedItem | null {
  const pointed = pointedTo(item.address, home);
  if (!pointed) return item;
  const entry = open.get(pointed.code);
  if (!entry) return null;
  if (!pointed.isWhole) return item;
  const { title, description, teamName, cover, count, minutes, cloth } = entry;
  return {
    ...item,
    ...{ title, description, siteName: teamName, picture: cover, minutes: minutes || null },
    ...{ copy: null, opens: { count, minutes, cloth } },
  };
}
