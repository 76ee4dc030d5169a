import { readAddress } from "@/core/address/read-address";

const HAS_LINKS = /:\/\/|www\.|@\w+\s*[{(]|^TY {2}-/m;

/** Whether a text holds links, or works in a format of references, for others to be looked through. */
export const holdsLinks = (text: string, html = ""): boolean =>
  HAS_LINKS.test(text) || /<a\s[^>]*href/i.test(html);

/** A name of a collection has no more letters. */
const NAME = 200;

/**
 * What somebody means who types or pastes into the one box of an empty Desk.
 * @returns an address, a list that is looked through first, the name of a collection, or a note
 */
export function whatComes(text: string): "address" | "list" | "name" | "note" {
  const typed = text.trim();
  if (/^\S+$/.test(typed)) {
    const read = readAddress(typed);
    // One word is a name; an address has a dot inside or says what it is.
    if (read.ok && /:\/\/|\w\.\w/.test(typed)) return "address";
  } else if (holdsLinks(typed)) return "list";
  return typed.includes("\n") || typed.length > NAME ? "note" : "name";
}
