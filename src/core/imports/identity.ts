import type { Reference } from "../cite/reference";
import { bareDoi } from "../cite/identifiers";
import { tagKey } from "../tags/tag-name";

/**
 * What makes a work without a web address itself, as text to be hashed: its DOI, else its ISBN, else title, first
 * author and year. Two entries with one identity are one resource.
 * @param title of the work
 * @param reference its bibliographic fields, if it has any
 */
export function workIdentity(title: string, reference: Reference | null): string {
  const { DOI, ISBN } = reference?.fields ?? {};
  if (DOI) return `doi:${bareDoi(DOI).toLowerCase()}`;
  const isbn = ISBN?.replace(/[^\dX]/gi, "");
  // A chapter has the ISBN of its book.
  if (isbn && reference?.type !== "chapter") return `isbn:${isbn.toUpperCase()}`;
  return `work:${tagKey(title)}|${tagKey(reference?.authors?.[0] ?? "")}|${reference?.published?.slice(0, 4) ?? ""}`;
}

/** What makes a note itself: its words. */
export const noteIdentity = (text: string): string =>
  `note:${text.normalize("NFC").replace(/\s+/g, " ").trim()}`;

/** A title for a note: its first line, cut at a word. */
export function noteTitle(text: string): string {
  const first = text.trim().split("\n", 1)[0]!.replace(/\s+/g, " ").trim();
  if (first.length <= 80) return first || "Note";
  return `${first.slice(0, 80).replace(/\s+\S*$/, "")}…`;
}
