/** An entry of a BibTeX file: its type, its key, and its fields by their names in small letters, in braces or as a number. */
type Entry = { type: string; key: string; fields: Map<string, string> };

/** An entry names another, that one another: so far and no farther. */
const DEEPEST = 5;
/** Months are abbreviations every style knows. */
const MONTHS = new Set(["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"]);
/** Of what these stand in, the title is that of what contains them (BibLaTeX 3.19, appendix B). */
const CONTAINED = /^(inproceedings|incollection|inbook|conference|suppbook|suppcollection)$/;

/**
 * The entries of a BibTeX or BibLaTeX file, each whole by itself: abbreviations (`@string`) are written out, what an entry has
 * from another (`crossref`, `xdata`) stands in it. Abbreviations are read once, so that twice the file takes twice the time.
 * @param file the text of the file
 * @returns the text of each entry; one that cannot be taken apart as it stands
 */
export function bibtexEntries(file: string): string[] {
  const strings = new Map<string, string>();
  const entries: (Entry | string)[] = [];
  for (const { kind, text } of cut(file)) {
    if (kind === "comment" || kind === "preamble") continue;
    const fields = fieldsOf(text, strings, kind === "string");
    if (kind === "string") {
      for (const [name, value] of fields?.fields ?? []) strings.set(name, inner(value));
    } else entries.push(fields ? { ...fields, type: kind } : text);
  }
  const byKey = new Map(entries.flatMap((one) => (typeof one === "string" ? [] : [[one.key, one] as const])));
  return entries.flatMap((one) => {
    if (typeof one === "string") return [one];
    // What others take from, and is none itself.
    if (one.type === "xdata") return [];
    return [written(one, inherited(one, byKey, 0))];
  });
}

/**
 * Cuts a file at its entries; braces are counted, so that an @ inside a field does not cut. One that never ends stops at the
 * next that begins a line; from then on braces may not be looked for to the end of the file again and again.
 */
function* cut(file: string): Generator<{ kind: string; text: string }> {
  let isWhole = true;
  for (let at = file.indexOf("@"); at >= 0;) {
    const kind = /^@\s*([a-z]+)\s*[{(]/i.exec(file.slice(at, at + 80));
    if (!kind) {
      at = file.indexOf("@", at + 1);
      continue;
    }
    const next = () => {
      const begins = file.indexOf("\n@", at);
      return begins < 0 ? file.length : begins;
    };
    let end = endOf(file, at + kind[0].length - 1, isWhole ? file.length : next());
    if (end < 0) {
      isWhole = false;
      end = next();
    }
    yield { kind: kind[1]!.toLowerCase(), text: file.slice(at, end + 1) };
    at = file.indexOf("@", end + 1);
  }
}

/**
 * Where an entry ends: at the brace that closes it, or at the parenthesis where it began with one, which counts outside
 * braces only: titles have smileys and lists that go "a)".
 * @param most no farther than here
 * @returns -1: nowhere
 */
function endOf(file: string, from: number, most: number): number {
  const inBraces = file[from] === "{";
  let depth = 0;
  for (let at = from; at < most; at++) {
    const sign = file[at];
    if (sign === "\\") at++;
    else if (sign === "{") depth++;
    else if (sign === "}") {
      if (--depth <= 0 && inBraces) return at;
    } else if (sign === ")" && !inBraces && depth <= 0) return at;
  }
  return -1;
}

/** Takes an entry apart. @param isString whether it has no key; null: it is broken */
function fieldsOf(
  text: string,
  strings: ReadonlyMap<string, string>,
  isString: boolean,
): Omit<Entry, "type"> | null {
  let at = text.search(/[{(]/) + 1;
  let key = "";
  if (!isString) {
    const comma = text.indexOf(",", at);
    if (comma < 0) return null;
    key = text.slice(at, comma).trim();
    at = comma + 1;
  }
  const fields = new Map<string, string>();
  const field = /\s*,?\s*([a-z][\w:.+-]*)\s*=\s*/iy;
  for (;;) {
    field.lastIndex = at;
    const found = field.exec(text);
    if (!found) break;
    const value = valueAt(text, field.lastIndex, strings);
    if (!value) return null;
    fields.set(found[1]!.toLowerCase(), value.text);
    at = value.end;
  }
  return fields.size || isString ? { key, fields } : null;
}

/** A value: parts in braces, in quotation marks, numbers and abbreviations, put together by `#`. */
function valueAt(
  text: string,
  from: number,
  strings: ReadonlyMap<string, string>,
): { text: string; end: number } | null {
  const parts: string[] = [];
  let bare = "";
  let at = from;
  for (;;) {
    const sign = text[at];
    if (sign === "{" || sign === '"') {
      const end = closing(text, at);
      if (end < 0) return null;
      parts.push(text.slice(at + 1, end));
      at = end + 1;
    } else {
      const word = /[^\s,#{}()"=]+/y;
      word.lastIndex = at;
      const found = word.exec(text);
      if (!found) return null;
      bare = found[0];
      parts.push(strings.get(bare.toLowerCase()) ?? bare);
      at = word.lastIndex;
    }
    const more = /\s*#\s*/y;
    more.lastIndex = at;
    if (!more.test(text)) break;
    at = more.lastIndex;
  }
  const isMonth = parts.length === 1 && MONTHS.has(bare.toLowerCase()) && !strings.has(bare.toLowerCase());
  return { text: isMonth ? bare : `{${parts.join("")}}`, end: at };
}

/** Where what begins here ends; -1: nowhere. */
function closing(text: string, from: number): number {
  const quoted = text[from] === '"';
  let depth = 0;
  for (let at = from + (quoted ? 1 : 0); at < text.length; at++) {
    if (text[at] === "\\") at++;
    else if (text[at] === "{") depth++;
    else if (text[at] === "}" && --depth === 0 && !quoted) return at;
    else if (quoted && text[at] === '"' && depth === 0) return at;
  }
  return -1;
}

const inner = (value: string): string => (value.startsWith("{") ? value.slice(1, -1) : value);

/** The fields of an entry with those it has from others; its own come first. */
function inherited(entry: Entry, byKey: ReadonlyMap<string, Entry>, depth: number): Map<string, string> {
  const fields = new Map(entry.fields);
  if (depth >= DEEPEST) return fields;
  const take = (key: string, nameOf: (name: string) => string) => {
    const from = byKey.get(key.trim());
    if (!from || from === entry) return;
    for (const [name, value] of inherited(from, byKey, depth + 1)) {
      const own = nameOf(name);
      if (!fields.has(own)) fields.set(own, value);
    }
  };
  for (const key of inner(fields.get("xdata") ?? "").split(",")) take(key, (name) => name);
  const contains = CONTAINED.test(entry.type);
  take(inner(fields.get("crossref") ?? ""), (name) => (contains && name === "title" ? "booktitle" : name));
  fields.delete("xdata");
  fields.delete("crossref");
  return fields;
}

/** TeX's letters that are no accents (Knuth, The TeXbook, chapter 9), and marks of programs; from memory. */
const LETTERS: Record<string, string> = {
  ...{ aa: "å", AA: "Å", ae: "æ", AE: "Æ", oe: "œ", OE: "Œ", o: "ø", O: "Ø", l: "ł", L: "Ł", ss: "ß" },
  ...{ dh: "ð", DH: "Ð", th: "þ", TH: "Þ", dj: "đ", DJ: "Đ", i: "ı", j: "ȷ", TeX: "TeX", LaTeX: "LaTeX" },
};
const LETTER = /\{\\([a-zA-Z]+)\s*(?:\{\})?\}|\\([a-zA-Z]+)(?![a-zA-Z])(?:\{\}|\s+)?/g;

/** An accent over an i or a j without its dot is one over an i or a j. */
const DOTLESS = /(\\['`^"~=.uvH])\s*(?:\{\\([ij])\s*\}|\\([ij])(?![a-zA-Z]))/g;

const withLetters = (value: string): string =>
  value
    .replace(DOTLESS, "$1{$2}")
    .replace(LETTER, (whole, braced: string | undefined, plain: string | undefined) => {
      const letter = LETTERS[braced ?? plain ?? ""];
      return letter ?? whole;
    });

/** An entry as text again, in the form every reader knows. */
function written({ type, key }: Entry, fields: ReadonlyMap<string, string>): string {
  const lines = [...fields].map(([name, value]) => {
    if (name === "year") return `year = {${/\d{4}/.exec(value)?.[0] ?? inner(value)}}`;
    if (name === "doi") return `doi = {${bareDoiText(inner(value))}}`;
    return `${name} = ${withLetters(value)}`;
  });
  return `@${type}{${key || "entry"},\n${lines.join(",\n")}\n}`;
}

/** A DOI without the address that leads to it. */
export const bareDoiText = (text: string): string =>
  text.trim().replace(/^(https?:\/\/(dx\.)?doi\.org\/|doi:\s*)/i, "");
