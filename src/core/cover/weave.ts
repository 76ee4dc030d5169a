import { KINDS, type Kind } from "../page/facts";
import { groupBy } from "../list/group-by";
import { sharesOf } from "./shares";

/** What an item gives to the cloth: the colour of its kind, as much as its minutes, a structure by its first tag. */
export type Yarn = { kind: Kind; minutes: number | null; tag?: string | null };

/**
 * How the warp goes over and under the weft: the lengths of a dash that lies above and of the gap, in wefts, and by how many
 * wefts each thread is further than the one before. The names are those of the trade.
 */
const STRUCTURES = {
  plain: { over: 1, under: 1, step: 1 },
  "twill 2/2 Z": { over: 2, under: 2, step: 1 },
  "twill 2/2 S": { over: 2, under: 2, step: 3 },
  "twill 3/1 Z": { over: 3, under: 1, step: 1 },
  "twill 1/3 S": { over: 1, under: 3, step: 3 },
} as const;
type Structure = keyof typeof STRUCTURES;
const ORDER = Object.keys(STRUCTURES) as Structure[];

/** One warp thread: where it stands, the item it is of, and with how many wefts of its pattern it begins above the edge. */
type Warp = { x: number; item: number; kind: Kind; structure: Structure; phase: number };
/** A band of coloured weft, of a tag of the collection. */
type Band = { y: number; height: number; kind: Kind };
export type Cloth = {
  width: number;
  height: number;
  /** From thread to thread, and from weft to weft. */
  pitch: number;
  beat: number;
  selvedge: number;
  warp: Warp[];
  bands: Band[];
};

/** How fine the threads are, in pixels; in the small fewer and finer ones. */
const FINE = 4;
const FINE_SMALL = 3;
const SMALL = 48;
/** What is known of no length takes as long as a short page. */
const UNKNOWN = 3;
/** Longer than so many minutes an item takes no more room, or one film would be all of a course. */
const LONG = 60;

const minutesOf = (yarn: Yarn): number => Math.min(LONG, Math.max(1, yarn.minutes ?? UNKNOWN));

/**
 * Weaves the cloth of a collection from what it holds, in order: threads of one fineness, as many for an item as its minutes
 * ask, in the colour of its kind; the structure is by its first tag, and never that of its neighbour of the same kind, so
 * that each shows. The collection's tags are bands of coloured weft. The same contents make the same cloth.
 * @param yarns of the items, in order
 * @param tags names, the most used first; the first four weave
 * @param width in pixels of the screen
 * @param height in pixels of the screen
 */
export function weave(yarns: readonly Yarn[], tags: readonly string[], width: number, height: number): Cloth {
  const fine = width < SMALL ? FINE_SMALL : FINE;
  const selvedge = fine * 0.75;
  const count = Math.max(1, Math.floor((width - 2 * selvedge) / fine));
  const pitch = (width - 2 * selvedge) / count;
  const beat = fine * 1.1;
  const items = yarns.length > count ? representatives(yarns, count) : yarns;
  const shares = items.length ? sharesOf(items.map(minutesOf), count) : [];
  const warp: Warp[] = [];
  let before: { kind: Kind; structure: Structure } | null = null;
  items.forEach((yarn, item) => {
    let at = yarn.tag ? hash(yarn.tag) % ORDER.length : 0;
    if (before?.kind === yarn.kind && before.structure === ORDER[at]) at = (at + 1) % ORDER.length;
    const structure = ORDER[at]!;
    const { over, under, step } = STRUCTURES[structure];
    for (let n = 0; n < shares[item]!; n++) {
      const i = warp.length;
      warp.push({
        x: selvedge + (i + 0.5) * pitch,
        item,
        kind: yarn.kind,
        structure,
        phase: (i * step) % (over + under),
      });
    }
    before = { kind: yarn.kind, structure };
  });
  return { width, height, pitch, beat, selvedge, warp, bands: bandsOf(tags.slice(0, 4), height, beat) };
}

/**
 * So many of the items stand for all: of each kind as many as its minutes are of all minutes, and one at the least, from
 * everywhere in the order.
 * @param count at least as many as there are kinds, or the first kinds stand for all
 */
export function representatives<Y extends Yarn>(yarns: readonly Y[], count: number): Y[] {
  if (yarns.length <= count) return [...yarns];
  const kinds = [...groupBy([...yarns.entries()], ([, yarn]) => yarn.kind).values()].slice(0, count);
  const shares = sharesOf(
    kinds.map((some) => some.reduce((sum, [, yarn]) => sum + minutesOf(yarn), 0)),
    count,
  );
  return kinds
    .flatMap((some, k) =>
      Array.from({ length: shares[k]! }, (_, n) => some[Math.floor(((n + 0.5) * some.length) / shares[k]!)]!),
    )
    .sort(([a], [b]) => a - b)
    .map(([, yarn]) => yarn);
}

/** Bands of one to three wefts, spread over the height, each in a colour by its tag. */
function bandsOf(tags: readonly string[], height: number, beat: number): Band[] {
  const rows = Math.max(1, Math.floor(height / beat));
  return tags.map((tag, i) => {
    const number = hash(tag);
    const thick = Math.min(rows, 1 + ((number >>> 4) % 3));
    const room = Math.max(1, Math.floor(rows / tags.length));
    const row = Math.min(rows - thick, i * room + ((number >>> 8) % room));
    return { y: row * beat, height: thick * beat, kind: KINDS[number % (KINDS.length - 1)]! };
  });
}

/** FNV-1a, 32 bits: http://www.isthe.com/chongo/tech/comp/fnv/ */
function hash(text: string): number {
  let sum = 2166136261;
  for (const char of text) sum = Math.imul(sum ^ char.codePointAt(0)!, 16777619) >>> 0;
  return sum;
}

/**
 * The cloth as an SVG drawing. A warp thread is a line down with the dashes of its structure; those of one kind and structure
 * are one path, in which each begins as far above the edge as its phase says (a dash pattern begins anew with every
 * subpath: SVG 2, 13.5.6). Colours are custom properties of the page, so that it follows light and dark.
 */
export function clothSvg(cloth: Cloth): string {
  const { width, height, pitch, beat, selvedge } = cloth;
  const bands = cloth.bands
    .map(
      ({ y, height, kind }) =>
        `<path fill="var(--${kind})" opacity=".28" d="M0 ${n(y)}h${n(width)}v${n(height)}H0z"/>`,
    )
    .join("");
  // Undyed thread, where nothing is woven in yet.
  const warp = cloth.warp.length
    ? [...groupBy(cloth.warp, (thread) => thread.kind)].map(([kind, threads]) => {
        const paths = [...groupBy(threads, (thread) => thread.structure)].map(([structure, some]) => {
          const { over, under } = STRUCTURES[structure];
          const d = some.map(({ x, phase }) => `M${n(x)} ${n(-phase * beat)}V${n(height)}`).join("");
          return `<path stroke-dasharray="${n(over * beat)} ${n(under * beat)}" d="${d}"/>`;
        });
        return `<g stroke="var(--${kind})">${paths.join("")}</g>`;
      })
    : [emptyWarp(cloth)];
  const edge = (x: number) => `M${n(x)} 0V${n(height)}`;
  return (
    `<svg viewBox="0 0 ${n(width)} ${n(height)}" preserveAspectRatio="none" aria-hidden="true" focusable="false">` +
    `<path fill="var(--weft)" d="M0 0h${n(width)}v${n(height)}H0z"/>${bands}` +
    `<g fill="none" stroke-width="${n(pitch * 0.9)}">${warp.join("")}</g>` +
    `<path fill="none" stroke="var(--ink)" stroke-width="${n(selvedge)}" stroke-dasharray="${n(beat)}" d="${edge(selvedge / 2)}${edge(width - selvedge / 2)}"/></svg>`
  );
}

function emptyWarp({ width, height, pitch, beat, selvedge }: Cloth): string {
  let d = "";
  for (let x = selvedge + pitch / 2, i = 0; x < width - selvedge; x += pitch, i++)
    d += `M${n(x)} ${n(-(i % 2) * beat)}V${n(height)}`;
  return `<path stroke="var(--line)" stroke-dasharray="${n(beat)}" d="${d}"/>`;
}

const n = (value: number) => String(Math.round(value * 10) / 10);
