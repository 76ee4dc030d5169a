/** The words of a page as they lie over its picture, with the way from places in them to their nodes and back. */
export class PageText {
  readonly text: string;
  readonly #pieces: { node: Text; start: number }[] = [];
  /** The words without blanks, and where each letter stands in `text`: another reader may set other blanks. */
  readonly #solid: string;
  readonly #places: Uint32Array;

  constructor(layer: HTMLElement) {
    let text = "";
    const walker = document.createTreeWalker(layer, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (node instanceof Text) {
        this.#pieces.push({ node, start: text.length });
        text += node.data;
      } else if ((node as Element).localName === "br") text += "\n";
    this.text = text;
    const places = new Uint32Array(text.length + 1);
    let solid = "";
    for (let i = 0; i < text.length; i++)
      if (!BLANK.test(text[i]!)) {
        places[solid.length] = i;
        solid += text[i];
      }
    this.#solid = solid;
    this.#places = places;
  }

  /** Where words stand; those that are there more than once stand where what was before them fits best. */
  find(words: string, prefix: string): Range | null {
    const wanted = words.replace(BLANKS, "");
    if (wanted.length < 2) return null;
    const before = prefix.replace(BLANKS, "").slice(-12);
    let at = before ? this.#solid.indexOf(before + wanted) : -1;
    at = at >= 0 ? at + before.length : this.#solid.indexOf(wanted);
    if (at < 0) return null;
    return this.range(this.#places[at]!, this.#places[at + wanted.length - 1]! + 1);
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

const BLANK = /[\s\u00ad]/;
const BLANKS = /[\s\u00ad]+/g;
