/*
 * What a PDF says of its own places: where a destination is on its page, and its outline (ISO 32000-1:2008, 12.3.2.2 and
 * 12.3.3). All of it comes from a file of anybody's.
 */

/** Where on a page something is, in the units of its page; null: at its edge. */
export type Spot = { left: number | null; top: number | null };

/** Which of the numbers behind its name each kind of destination has for left and top. */
const KINDS: Record<string, [left: number | null, top: number | null]> = {
  XYZ: [0, 1],
  Fit: [null, null],
  FitB: [null, null],
  FitH: [null, 0],
  FitBH: [null, 0],
  FitV: [0, null],
  FitBV: [0, null],
  FitR: [0, 3],
};

/**
 * Where a destination is on its page.
 * @param explicit [page, { name: kind }, numbers …] as a PDF has it; what cannot be read is the top of the page
 */
export function spotOf(explicit: readonly unknown[]): Spot {
  const [, kind, ...numbers] = explicit;
  const name = typeof kind === "object" && kind !== null && "name" in kind ? String(kind.name) : "";
  const [left, top] = Object.hasOwn(KINDS, name) ? KINDS[name]! : [null, null];
  const at = (i: number | null) => {
    const number = i === null ? null : numbers[i];
    return typeof number === "number" && Number.isFinite(number) ? number : null;
  };
  return { left: at(left), top: at(top) };
}

/** An entry of an outline as PDF.js gives it. */
export type OutlineItem = {
  title: string;
  dest: string | readonly unknown[] | null;
  url: string | null;
  items: readonly OutlineItem[];
};

/** A line of the contents, and how deep it stands, from 0. It leads to a place of the document or to an address. */
export type OutlineLine = {
  title: string;
  depth: number;
  dest: string | readonly unknown[] | null;
  address: string | null;
};

/** Deeper entries stand as deep as these. */
const DEEPEST = 5;
const LONGEST = 200;

/**
 * An outline as lines, in the order in which it is read; what leads nowhere stands only above what does.
 * @param most how many lines at the most
 */
export function outlineLines(outline: readonly OutlineItem[], most = 2_000): OutlineLine[] {
  const lines: OutlineLine[] = [];
  const left = outline.map((item) => ({ item, depth: 0 })).reverse();
  while (left.length && lines.length < most) {
    const { item, depth } = left.pop()!;
    const title = item.title.replace(/\s+/g, " ").trim().slice(0, LONGEST);
    const address = safeAddress(item.url);
    const leads = item.dest !== null || address !== null;
    if (title && (leads || item.items.length))
      lines.push({ title, depth: Math.min(depth, DEEPEST), dest: item.dest, address });
    for (let i = item.items.length - 1; i >= 0; i--) left.push({ item: item.items[i]!, depth: depth + 1 });
  }
  return lines;
}

/** An address of a PDF that may be followed: of the web, or of a letter; null for all others. */
export const safeAddress = (address: string | null | undefined): string | null =>
  address && /^(https?:\/\/|mailto:)/i.test(address) ? address : null;
