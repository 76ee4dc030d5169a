/** Ends of these are places to stop at: nothing that belongs together is torn. */
const BLOCKS = new Set(
  "p ul ol dl dd dt li blockquote pre figure table tr section article div h1 h2 h3 h4 h5 h6".split(" "),
);
const NEVER_CLOSED = new Set(["br", "hr", "wbr", "img"]);

/**
 * The beginning of a reading copy, as HTML that is whole in itself: what fills the first screens while the rest comes.
 * @param html as the sanitiser writes it: everything that is opened is closed, and no `>` stands within a tag
 * @param least characters of it. It goes on from there to the end of a block; where none ends within as many again, to
 * the end of a word.
 * @returns the beginning; all of it where little more would be left
 */
export function beginningOf(html: string, least: number): string {
  if (html.length <= least * 3) return html;
  const open: string[] = [];
  const cut = (end: number) =>
    html.slice(0, end) +
    open
      .toReversed()
      .map((tag) => `</${tag}>`)
      .join("");
  let after = 0;
  for (const { 0: tag, 1: slash, 2: name = "", index } of html.matchAll(/<(\/?)([a-z][a-z0-9]*)[^>]*>|$/g)) {
    if (index > least * 2) {
      const from = Math.max(after, least * 2);
      const blank = html.slice(from, index).search(/\s/);
      if (blank >= 0) return cut(from + blank);
    }
    after = index + tag.length;
    if (slash) open.pop();
    else if (name && !NEVER_CLOSED.has(name)) open.push(name);
    if (after >= least && slash && BLOCKS.has(name)) return cut(after);
  }
  return html;
}
