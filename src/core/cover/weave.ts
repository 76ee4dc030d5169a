import { KINDS, type Kind } from "../page/facts";

export type Thread = { kind: Kind; minutes: number | null };
/** A rectangle of the cloth. `kind` null is the undyed weft. */
type Patch = { x: number; y: number; width: number; height: number; kind: Kind };
export type Cloth = { width: number; height: number; patches: Patch[] };

const MOST_THREADS = 64;
const WEFT = 6;

/**
 * Weaves the cover of a collection from what it holds: one warp thread an item, in order, coloured by kind and as
 * wide as the root of its minutes; the tags are the wefts that cross it. A tag's weft has a rhythm of its
 * own, computed from its name, so that collections on other subjects look different.
 *
 * The cloth is the same for the same contents. Beyond 64 items a thread stands for several.
 * @param tags names, the most used first; the first four weave
 */
export function weave(
  threads: readonly Thread[],
  tags: readonly string[],
  width: number,
  height: number,
): Cloth {
  const warp = sample(threads);
  const widths = warp.map((thread) => Math.sqrt(Math.max(1, thread.minutes ?? 3)));
  const scale = width / (widths.reduce((sum, w) => sum + w, 0) || 1);
  const rhythms = (tags.length ? tags.slice(0, 4) : [""]).map(rhythm);
  const plain = rhythms[0]!;
  const patches: Patch[] = [];
  let x = 0;
  warp.forEach((thread, i) => {
    const thick = widths[i]! * scale;
    const beat = rhythms[i % rhythms.length]!;
    // Every fourth thread or so is plain and holds the cloth together.
    if ((i + plain.offset) % plain.every === 0)
      patches.push({ x, y: 0, width: thick, height, kind: thread.kind });
    else
      for (let y = (i % 2) * beat.gap - beat.gap; y < height; y += beat.gap + beat.over) {
        const top = Math.max(0, y);
        const bottom = Math.min(height, y + beat.over);
        if (bottom > top) patches.push({ x, y: top, width: thick, height: bottom - top, kind: thread.kind });
      }
    x += thick;
  });
  return { width, height, patches };
}

function sample(threads: readonly Thread[]): Thread[] {
  if (threads.length <= MOST_THREADS) return [...threads];
  return Array.from(
    { length: MOST_THREADS },
    (_, i) => threads[Math.floor((i * threads.length) / MOST_THREADS)]!,
  );
}

/** How a tag's weft goes: over so many units of the thread, under so many, a plain thread every so often. */
function rhythm(tag: string): { over: number; gap: number; every: number; offset: number } {
  let hash = 2166136261; // FNV-1a, 32 bits
  for (const char of tag) hash = Math.imul(hash ^ char.codePointAt(0)!, 16777619) >>> 0;
  return {
    over: WEFT + (hash % 4) * 4,
    gap: WEFT + ((hash >>> 4) % 3) * 2,
    every: 3 + ((hash >>> 8) % 3),
    offset: 1 + ((hash >>> 12) % 2),
  };
}

/**
 * The cloth as an SVG drawing. Colours come from the custom properties of the page, `var(--video)` and so on, so
 * that it follows light and dark.
 * @param cloth what `weave` computed; its lengths are in the units of the drawing's own box
 */
export function clothSvg(cloth: Cloth): string {
  const paths = KINDS.map((kind) => {
    const d = cloth.patches
      .filter((patch) => patch.kind === kind)
      .map(
        (p) =>
          `M${n(p.x)} ${n(p.y)}h${n(Math.max(0.5, p.width - 0.6))}v${n(p.height)}h-${n(Math.max(0.5, p.width - 0.6))}z`,
      )
      .join("");
    return d && `<path fill="var(--${kind})" d="${d}"/>`;
  }).join("");
  return `<svg viewBox="0 0 ${cloth.width} ${cloth.height}" preserveAspectRatio="none" aria-hidden="true" focusable="false"><rect width="100%" height="100%" fill="var(--sunk)"/>${paths}</svg>`;
}

const n = (value: number) => String(Math.round(value * 10) / 10);
