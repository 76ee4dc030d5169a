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
 * TextQuoteSelector, also where it stands in a refinement or among alternatives. What has neither words nor a note is passed over.
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
    const quote = isObject(target) ? quoteIn(target.selector, 0) : null;
    if (!source || (!quote && !note)) return [];
    const { exact = "", prefix = "", suffix = "" } = quote ?? {};
    return [{ id, source, quote: exact, prefix, suffix, note, meaning }];
  });
}

function quoteIn(selector: unknown, depth: number): { exact: string; prefix: string; suffix: string } | null {
  if (depth > 4) return null;
  for (const one of listed(selector)) {
    if (!isObject(one)) continue;
    if (text(one.type) === "TextQuoteSelector" && text(one.exact))
      return { exact: text(one.exact), prefix: text(one.prefix), suffix: text(one.suffix) };
    const within = quoteIn(one.refinedBy ?? one.items, depth + 1);
    if (within) return within;
  }
  return null;
}
