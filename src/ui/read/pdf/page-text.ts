import type { Quote } from "@/core/marks/selectors";
import { SolidText } from "@/core/marks/solid-text";

/** The words of a page as they lie over its picture, with the way from places in them to their nodes and back. */
export class PageText {
  readonly text: string;
  readonly #pieces: { node: Text; start: number }[] = [];
  readonly #solid: SolidText;

  constructor(layer: HTMLElement) {
    let text = "";
    const walker = document.createTreeWalker(layer, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (node instanceof Text) {
        this.#pieces.push({ node, start: text.length });
        text += node.data;
      } else if ((node as Element).localName === "br") text += "\n";
    this.text = text;
    this.#solid = new SolidText(text);
  }

  /** Where words of the text that is kept of it, or of this page, stand on it; null when they are of another page. */
  find(quote: Quote): Range | null {
    const found = this.#solid.find(quote);
    return found && this.range(found.start, found.end);
  }

  range(start: number, end: number): Range | null {
    const first = this.#pieces.findLast((one) => one.start <= start);
    const last = this.#pieces.findLast((one) => one.start < end);
    if (!first || !last) return null;
    const range = document.createRange();
    range.setStart(first.node, Math.min(first.node.length, start - first.start));
    range.setEnd(last.node, Math.min(last.node.length, end - last.start));
    return range;
  }

  /** The place of a boundary of a selection; null when it is in another page. */
  placeOf(node: Node, offset: number): number | null {
    const piece = this.#pieces.find((one) => one.node === node);
    return piece ? piece.start + offset : null;
  }
}
