/**
 * The elements of a reading copy that begin a line. What is marked is counted in the text made so, by the browser from its
 * elements and by the server from the HTML, so both have to go by one list.
 */
export const LINES: ReadonlySet<string> = new Set([
  ...["p", "div", "br", "hr", "li", "ul", "ol", "dl", "dt", "dd", "tr", "td", "th", "table", "caption"],
  ...["h1", "h2", "h3", "h4", "h5", "h6", "blockquote", "pre", "section", "article", "figure", "figcaption"],
]);

/** Puts the text of a reading copy together from its pieces; where a block begins or ends, a line does. */
export class TextBuilder {
  #parts: string[] = [];
  #endsLine = true;
  /** How long it is so far. */
  length = 0;

  /** @returns where the piece begins */
  add(text: string): number {
    const at = this.length;
    if (!text) return at;
    this.#parts.push(text);
    this.length += text.length;
    this.#endsLine = text.endsWith("\n");
    return at;
  }

  line(): void {
    if (!this.#endsLine) this.add("\n");
  }

  get text(): string {
    return this.#parts.join("");
  }
}
