import type { APPRAISED, Chip } from "@/core/search/query";
import { KIND_WORDS } from "@/core/look/kind-words";

/** What may be the matter with a thing, in words. */
export const STATE_WORDS: Record<string, string> = {
  untagged: "Without a tag",
  unplaced: "In no collection",
  unpictured: "Without a picture",
  dead: "Could not be read",
  twin: "Maybe here twice",
  waiting: "Being read",
};
const NAMES: Record<string, string> = {
  tag: "tag",
  site: "site",
  kind: "kind",
  by: "brought in by",
  in: "stands in",
  added: "added",
  length: "length",
  is: "",
  marked: "marked",
  appraised: "appraised",
  phrase: "exactly",
  without: "without",
};
/** How far something has been judged, in words. */
export const APPRAISED_WORDS: Record<(typeof APPRAISED)[number], string> = {
  no: "by nobody yet",
  yes: "by anybody",
  me: "by you",
  agreed: "and agreed on",
  old: "before the page changed",
};
const MARKED: Record<string, string> = { any: "by anybody", me: "by you" };
const kindWords: Record<string, string> = KIND_WORDS;

/**
 * What a search is narrowed by, as people say it.
 * @example
 * sayChip({ name: "length", value: "10-20", raw: "length:10-20" }); // { label: "length", words: "10 to 20 min" }
 */
export function sayChip({ name, value }: Chip): { label: string; words: string } {
  return { label: NAMES[name] ?? name, words: sayValue(name, value) };
}

function sayValue(name: string, value: string): string {
  if (name === "kind") return kindWords[value.toLowerCase()] ?? value;
  if (name === "is") return STATE_WORDS[value.toLowerCase()] ?? value;
  if (name === "length") return sayLength(value);
  if (name === "marked") return MARKED[value.toLowerCase()] ?? value;
  if (name === "appraised") return (APPRAISED_WORDS as Record<string, string>)[value.toLowerCase()] ?? value;
  return name === "added" ? saySpan(value) : value;
}

function sayLength(value: string): string {
  const [, sign, from, to] = /^([<>]?)(\d+)(?:(?:-|\.\.)(\d+))?$/.exec(value) ?? [];
  if (from === undefined) return value;
  if (sign) return `${sign === "<" ? "under" : "over"} ${from} min`;
  if (to === undefined) return `${from} min`;
  return Number(from) === 0 ? `up to ${to} min` : `${from} to ${to} min`;
}

function saySpan(value: string): string {
  const [, sign, rest = ""] = /^([<>]?)(.*)$/.exec(value)!;
  const [from = "", to] = rest.split("..").map(sayDay);
  if (sign) return `${sign === "<" ? "before" : "after"} ${from}`;
  return to === undefined ? from : `${from} to ${to}`;
}

const MONTHS = "January February March April May June July August September October November December".split(
  " ",
);

/** 2026-03-09 as 9 March 2026, as much of it as is given. */
function sayDay(text: string): string {
  const [year, month, day] = text.split("-");
  const name = month && MONTHS[Number(month) - 1];
  return name ? [day && Number(day), name, year].filter(Boolean).join(" ") : text;
}
