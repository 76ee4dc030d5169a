import { groupBy } from "./group-by";

type Laid = { id: string; section: string | null; look: "item" | "text" };
/** A thing of the list with the number it has in the whole collection; text between the items has none. */
type Numbered<I> = { item: I; number: number | null };

/** A line of a list: the head of a section, one or several items side by side, the details of one, the end. */
export type Line<I, S> =
  | { type: "section"; key: string; section: S }
  | { type: "items"; key: string; items: Numbered<I>[] }
  | { type: "text"; key: string; item: I }
  | { type: "details"; key: string; item: I }
  | { type: "end"; key: string };

type Options = {
  /** How many items stand side by side. */
  across?: number;
  /** The item whose details stand under its line. */
  opened?: string | null;
  /** Sorted by something else than the own order: sections and text between the items make no sense then. */
  sorted?: boolean;
};

/**
 * Lays the items of a collection out in lines, section by section, for a list that draws only what is in sight.
 * @param items in the order in which they stand
 */
export function layOutLines<I extends Laid, S extends { id: string }>(
  items: readonly I[],
  sections: readonly S[],
  { across = 1, opened = null, sorted = false }: Options = {},
): Line<I, S>[] {
  const lines: Line<I, S>[] = [];
  let number = 0;
  const add = (list: readonly I[]) => {
    let line: Numbered<I>[] = [];
    const flush = () => {
      if (!line.length) return;
      lines.push({ type: "items", key: line[0]!.item.id, items: line });
      const open = line.find(({ item }) => item.id === opened);
      if (open) lines.push({ type: "details", key: `${open.item.id}-details`, item: open.item });
      line = [];
    };
    for (const item of list) {
      if (item.look === "text") {
        if (sorted) continue;
        flush();
        lines.push({ type: "text", key: item.id, item });
        continue;
      }
      line.push({ item, number: ++number });
      if (line.length === across) flush();
    }
    flush();
  };
  if (sorted) add(items);
  else {
    const bySection = groupBy(items, (item) => item.section);
    add(bySection.get(null) ?? []);
    for (const section of sections) {
      lines.push({ type: "section", key: section.id, section });
      add(bySection.get(section.id) ?? []);
    }
  }
  lines.push({ type: "end", key: "end" });
  return lines;
}
