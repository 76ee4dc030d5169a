import { readFragment, writeFragment } from "./fragments";

/** A mark as it comes in, from whatever wrote it. */
export type MarkIn = {
  /** Its own id, where it is one of ours. */
  id: string | null;
  source: string;
  quote: string;
  prefix: string;
  suffix: string;
  note: string;
  meaning: string;
  /** A part of a picture, a page, a stretch of a film (core/marks/fragments); empty: none. */
  fragment: string;
};

/** So many annotations of a file are read. */
const MOST = 5_000;

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const listed = (value: unknown): unknown[] => (value === undefined || value === null ? [] : [value].flat());
const text = (value: unknown): string => (typeof value === "string" ? value : "");

/**
 * The marks in a file of web annotations (JSON-LD): one annotation, a page or a collection of them with its pages in it, or a
 * plain list. Of bodies texts are read (those for tagging as what it means, all others as the note), of selectors the
 * TextQuoteSelector and the FragmentSelector, also where they stand in a refinement or among alternatives. What has neither
 * words nor a part nor a note is passed over.
 * @returns null for a file that is none
 * @see https://www.w3.org/TR/annotation-model/
 */
export function readAnnotations(file: string): MarkIn[] | null {
  let whole: unknown;
  try {
    whole = JSON.parse(file);
  } catch {
    return null;
  }
  const found: MarkIn[] = [];
  const look = (value: unknown, depth: number): void => {
    if (depth > 6 || found.length >= MOST) return;
    for (const one of listed(value)) {
      if (!isObject(one)) continue;
      const types = listed(one.type ?? one["@type"]).map(text);
      if (types.some((type) => /(^|[:#/])Annotation$/.test(type))) {
        for (const mark of marksIn(one)) if (found.length < MOST) found.push(mark);
      } else for (const part of [one.first, one.items, one["@graph"]]) look(part, depth + 1);
    }
  };
  look(whole, 0);
  return found.length || isWritten(whole) ? found : null;
}

/** A collection without marks is one all the same. */
const isWritten = (whole: unknown): boolean =>
  isObject(whole) && listed(whole["@context"]).some((one) => text(one).includes("anno"));

function marksIn(annotation: Json): MarkIn[] {
  const [, id = null] =
    /([\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12})$/i.exec(text(annotation.id ?? annotation["@id"])) ?? [];
  const bodies = listed(annotation.body ?? annotation.bodyValue);
  const words = (wanted: boolean) =>
    bodies
      .flatMap((body) => {
        if (typeof body === "string") return !wanted && !/^\w+:\S+$/.test(body) ? [body] : [];
        if (!isObject(body)) return [];
        const tagging = listed(body.purpose).includes("tagging");
        return tagging === wanted ? [text(body.value)] : [];
      })
      .filter(Boolean);
  const note = words(false).join("\n");
  const meaning = words(true)[0] ?? "";
  return listed(annotation.target).flatMap((target): MarkIn[] => {
    const source = isObject(target) ? text(target.source) || text(target.id) : text(target);
    const { quote, fragment } = isObject(target) ? selected(target.selector) : { quote: null, fragment: "" };
    if (!source || (!quote && !note && !fragment)) return [];
    const { exact = "", prefix = "", suffix = "" } = quote ?? {};
    return [{ id, source, quote: exact, prefix, suffix, note, meaning, fragment }];
  });
}

type Selected = { quote: { exact: string; prefix: string; suffix: string } | null; fragment: string };

/** The first words and the first part selectors speak of. */
function selected(selector: unknown): Selected {
  const found: Selected = { quote: null, fragment: "" };
  const look = (value: unknown, depth: number): void => {
    if (depth > 4) return;
    for (const one of listed(value)) {
      if (!isObject(one)) continue;
      const type = text(one.type);
      if (type === "TextQuoteSelector" && text(one.exact))
        found.quote ??= { exact: text(one.exact), prefix: text(one.prefix), suffix: text(one.suffix) };
      const part = type === "FragmentSelector" ? readFragment(text(one.value)) : null;
      if (part) found.fragment ||= writeFragment(part);
      look(one.refinedBy, depth + 1);
      look(one.items, depth + 1);
    }
  };
  look(selector, 0);
  return found;
}
