import { KINDS, type Kind } from "../page/facts";
import { fold, tokensOf } from "./tokens";
import { stem } from "./stem";

/** What is looked for in the words: any of these terms; those of the last word also as beginnings. */
type Group = {
  /** The words as typed, for "did you mean". */
  typed: string;
  terms: string[];
  /** The last word of the query, which may not be finished: terms that begin like this count too. */
  prefix: string | null;
};
/** Days from (included) to (excluded), as 2026-03-09; null is open. */
type Span = { from: string | null; to: string | null };
export type Filters = {
  tag: string[];
  site: string[];
  kind: Kind[];
  by: string[];
  in: string[];
  is: State[];
  /** `any`, `me`, or what a mark means. */
  marked: string[];
  /** What has been made of it when it was judged. */
  appraised: Appraised[];
  added: Span | null;
  /** Minutes, both ends included, as 10-20; <15 and >15 are without 15. */
  length: { from: number | null; to: number | null } | null;
};
/** What may be the matter with a resource. */
const STATES = ["untagged", "unplaced", "unpictured", "dead", "twin", "waiting"] as const;
type State = (typeof STATES)[number];
/** Judged by nobody, by anybody, by oneself; settled by those who judged it; judged before the page became another. */
export const APPRAISED = ["no", "yes", "me", "agreed", "old"] as const;
type Appraised = (typeof APPRAISED)[number];

export type Query = { groups: Group[]; phrases: string[]; without: string[][]; filters: Filters };
/** A piece of the query as a chip that can be taken out: what it narrows by, in words, and the text it has there. */
export type Chip = { name: string; value: string; raw: string };

const NAMES = ["tag", "site", "kind", "by", "in", "added", "is", "length", "marked", "appraised"] as const;
type Name = (typeof NAMES)[number];
/** name:value or name:"a value", a phrase, or a word; each maybe with a minus. */
const PIECE = /(-?)(?:([a-z]+):(?:"([^"]*)"?|(\S+))|"([^"]*)"?|(\S+))/gu;

type Piece = {
  minus: boolean;
  name: Name | null;
  value: string;
  quoted: boolean;
  raw: string;
  last: boolean;
};

function piecesOf(text: string): Piece[] {
  return [...text.matchAll(PIECE)].map((match) => {
    const [raw, minus, word, quotedValue, plainValue, phrase, plain] = match;
    const known = NAMES.find((name) => name === word?.toLowerCase()) ?? null;
    const last = match.index + raw.length === text.length;
    if (known)
      return {
        minus: minus === "-",
        name: known,
        value: (quotedValue ?? plainValue ?? "").trim(),
        quoted: false,
        raw,
        last,
      };
    // What looks like name:value and is none of ours is words.
    const value = word !== undefined ? raw.slice(minus!.length) : (phrase ?? plain ?? "");
    return { minus: minus === "-", name: null, value, quoted: phrase !== undefined, raw, last };
  });
}

const NO_FILTERS: Filters = {
  tag: [],
  site: [],
  kind: [],
  by: [],
  in: [],
  is: [],
  marked: [],
  appraised: [],
  added: null,
  length: null,
};

/** More words than these find nothing that fewer do not. */
const MOST_WORDS = 32;

/**
 * Reads what somebody typed into the box: words (all must be there, the last one may be unfinished), "phrases",
 * -words to leave out, and tag: site: kind: by: in: added: is: length: marked: appraised: with a value. What cannot be read as a filter is
 * looked for as words, so that nothing typed is an error.
 * @param languages BCP 47, of the texts there are; a word is looked for by its stems in all of these
 */
export function readQuery(text: string, languages: readonly (string | null)[] = [null]): Query {
  const query: Query = { groups: [], phrases: [], without: [], filters: structuredClone(NO_FILTERS) };
  for (const piece of piecesOf(text)) {
    if (piece.name && !piece.minus && takeFilter(query.filters, piece.name, piece.value)) continue;
    const words = piece.value;
    const groups = groupsOf(words, languages);
    if (piece.minus) query.without.push(...groups.map((group) => group.terms));
    else {
      if (piece.quoted && groups.length > 1) query.phrases.push(words);
      if (piece.last && !piece.quoted && groups.length) {
        const last = groups.at(-1)!;
        last.prefix = fold(last.typed);
      }
      query.groups.push(...groups.slice(0, MOST_WORDS - query.groups.length));
    }
  }
  return query;
}

/** Each word with the terms it can stand for: itself, and its stem in every language. */
function groupsOf(words: string, languages: readonly (string | null)[]): Group[] {
  return tokensOf(words, null)
    .filter((token) => !token.part)
    .map((token) => {
      const typed = words.slice(token.start, token.end);
      const plain = token.word === token.term || !/[\d+#.\-_':·,;]/.test(token.word);
      const stems = plain ? languages.map((language) => fold(stem(typed, language))) : [];
      return { typed, terms: [...new Set([token.word, token.term, ...stems])], prefix: null };
    });
}

function takeFilter(filters: Filters, name: Name, value: string): boolean {
  if (!value) return true; // still being typed
  if (name === "tag" || name === "by" || name === "in") filters[name].push(value);
  else if (name === "site") filters.site.push(value.toLowerCase().replace(/^www\./, ""));
  else if (name === "marked") filters.marked.push(value.toLowerCase());
  else if (name === "kind") {
    const kind = KINDS.find((one) => one === value.toLowerCase());
    if (!kind) return false;
    filters.kind.push(kind);
  } else if (name === "appraised") {
    const wish = APPRAISED.find((one) => one === value.toLowerCase());
    if (!wish) return false;
    filters.appraised.push(wish);
  } else if (name === "is") {
    const state = STATES.find((one) => one === value.toLowerCase());
    if (!state) return false;
    filters.is.push(state);
  } else if (name === "added") {
    const span = readSpan(value);
    if (!span) return false;
    filters.added = span;
  } else {
    const span = /^(?:(<)(\d{1,5})|(>)(\d{1,5})|(\d{1,5})(?:-|\.\.)(\d{1,5})|(\d{1,5}))$/.exec(value);
    if (!span) return false;
    const [, less, most, more, least, from, to, exact] = span;
    filters.length = less
      ? { from: null, to: Number(most) - 1 }
      : more
        ? { from: Number(least) + 1, to: null }
        : { from: Number(from ?? exact), to: Number(to ?? exact) };
  }
  return true;
}

/** 2026, 2026-03, 2026-03-09; <2026-03 before it, >2026-03 after it; 2026-01..2026-03 from the one to the end of the other. */
export function readSpan(value: string): Span | null {
  const [, sign, text] = /^([<>]?)(.*)$/.exec(value)!;
  const [a, b] = text!.split("..");
  const first = dayRange(a!);
  if (!first) return null;
  if (sign === "<") return { from: null, to: first.from };
  if (sign === ">") return { from: first.to, to: null };
  if (b === undefined) return first;
  const second = dayRange(b);
  return second && second.to! > first.from! ? { from: first.from, to: second.to } : null;
}

function dayRange(text: string): Span | null {
  const match = /^(\d{4})(?:-(\d{2}))?(?:-(\d{2}))?$/.exec(text);
  if (!match) return null;
  const [year, month, day] = match.slice(1).map((part) => (part === undefined ? undefined : Number(part)));
  const at = (y: number, m: number, d: number) => new Date(Date.UTC(y, m, d)).toISOString().slice(0, 10);
  if (month !== undefined && (month < 1 || month > 12)) return null;
  if (day !== undefined) {
    const from = at(year!, month! - 1, day);
    return from === text ? { from, to: at(year!, month! - 1, day + 1) } : null;
  }
  if (month !== undefined) return { from: at(year!, month - 1, 1), to: at(year!, month, 1) };
  return { from: at(year!, 0, 1), to: at(year! + 1, 0, 1) };
}

/**
 * The filters and phrases of a query as chips.
 * @param text what stands in the box
 */
export function chipsOf(text: string): Chip[] {
  return piecesOf(text)
    .filter((piece) => piece.name !== null || piece.quoted || piece.minus)
    .map((piece) => ({
      name: piece.name ?? (piece.minus ? "without" : "phrase"),
      value: piece.value,
      raw: piece.raw,
    }));
}

/**
 * The query with a filter put in, or taken out when it is there already.
 * @param text the query as it is typed
 * @param name of the filter, before its colon
 * @param value quoted by itself where it has blanks
 */
export function toggleFilter(text: string, name: Name, value: string): string {
  const raw = `${name}:${/\s/.test(value) ? `"${value}"` : value}`;
  const there = piecesOf(text).find(
    (piece) => piece.name === name && piece.value.toLowerCase() === value.toLowerCase(),
  );
  const rest = there ? text.replace(there.raw, "") : text;
  // Filters come first, so that the last word stays the one being typed.
  return (there ? rest : `${raw} ${rest}`).replace(/\s+/g, " ").trim();
}

/** A name as it is compared with what follows by: or in: without case and accents. */
export const foldName = (name: string): string => fold(name.normalize("NFC")).replace(/\s+/g, " ").trim();
