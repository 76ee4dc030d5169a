import { caretAt } from "./caret";
import { LINES, TextBuilder } from "@/core/marks/text-builder";

/** Where the first line below the bar is, from the top of the window. */
const BAR = 90;

type Piece = { node: Text; start: number };

/** The text of a reading copy as it stands on the page, with the way from places in it to its nodes and back. */
export class CopyMap {
  readonly text: string;
  readonly #pieces: Piece[] = [];

  /**
   * @param passOver what is no part of the text, with all that stands in it
   */
  constructor(
    readonly root: HTMLElement,
    passOver: (element: Element) => boolean = () => false,
  ) {
    const builder = new TextBuilder();
    const walk = (node: Node) => {
      if (node instanceof Text) {
        const start = builder.add(node.data);
        if (node.data) this.#pieces.push({ node, start });
        return;
      }
      if (node instanceof Element && passOver(node)) return;
      const isLine = node !== root && node instanceof Element && LINES.has(node.localName);
      if (isLine) builder.line();
      node.childNodes.forEach(walk);
      if (isLine) builder.line();
    };
    walk(root);
    this.text = builder.text;
  }

  /** The range between two places; null when there is nothing there. */
  range(start: number, end: number): Range | null {
    const [first, last] = [this.#pieceAt(start), this.#pieceAt(end - 1)];
    if (!first || !last) return null;
    const range = document.createRange();
    range.setStart(first.node, Math.min(first.node.length, Math.max(0, start - first.start)));
    range.setEnd(last.node, Math.min(last.node.length, end - last.start));
    return range;
  }

  /** The place of a boundary of a selection; null outside of the copy. */
  placeOf(node: Node, offset: number): number | null {
    if (node !== this.root && !this.root.contains(node)) return null;
    const there = document.createRange();
    there.setStart(node, offset);
    // The first piece that begins behind it; it stands in the one before, or between both.
    let [low, high] = [0, this.#pieces.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (there.comparePoint(this.#pieces[middle]!.node, 0) <= 0) low = middle + 1;
      else high = middle;
    }
    const before = this.#pieces[low - 1];
    if (!before) return 0;
    if (before.node === node) return before.start + offset;
    return Math.min(this.text.length, before.start + before.node.length);
  }

  /** The place of the first line that is to be seen below the bar. */
  placeInSight(): number {
    const { top, left } = this.root.getBoundingClientRect();
    if (top > BAR) return 0;
    const caret = caretAt(left + 4, BAR);
    return (caret && this.placeOf(caret.node, caret.offset)) ?? 0;
  }

  /** The last piece that begins at a place or before it. */
  #pieceAt(place: number): Piece | null {
    let [low, high] = [0, this.#pieces.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.#pieces[middle]!.start <= place) low = middle + 1;
      else high = middle;
    }
    return this.#pieces[low - 1] ?? null;
  }
}
