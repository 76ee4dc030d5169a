import type { Pattern, Tint } from "@/core/marks/meanings";
import { SURE } from "@/core/marks/place";

/** What is painted where: a colour and a pattern of underline are two layers over each other. */
export type Painted = {
  id: string;
  range: Range;
  look: { pattern: Pattern; tint: Tint } | null;
  sure: number;
};

const PREFIX = "hobbin-";

/**
 * Paints marks over the text without touching it (CSS Custom Highlight API). The style sheet says what each layer looks
 * like; several texts on one page paint into the same ones.
 * @returns what takes all of it away again
 */
export function paint(all: readonly Painted[], chosen: string | null): () => void {
  if (typeof Highlight === "undefined") return () => undefined;
  const layers = new Map<string, Range[]>();
  const put = (layer: string, range: Range) => {
    const ranges = layers.get(layer);
    if (ranges) ranges.push(range);
    else layers.set(layer, [range]);
  };
  for (const { id, range, look, sure } of all) {
    put(look ? `tint-${look.tint}` : "tint-plain", range);
    put(sure < SURE * 100 ? "unsure" : `pattern-${look?.pattern ?? "plain"}`, range);
    if (id === chosen) put("chosen", range);
  }
  for (const [layer, ranges] of layers) {
    const highlight = CSS.highlights.get(PREFIX + layer) ?? new Highlight();
    highlight.priority = layer === "chosen" ? 2 : layer.startsWith("tint") ? 0 : 1;
    for (const range of ranges) highlight.add(range);
    CSS.highlights.set(PREFIX + layer, highlight);
  }
  return () => {
    for (const [layer, ranges] of layers) {
      const highlight = CSS.highlights.get(PREFIX + layer);
      for (const range of ranges) highlight?.delete(range);
      if (!highlight?.size) CSS.highlights.delete(PREFIX + layer);
    }
  };
}
