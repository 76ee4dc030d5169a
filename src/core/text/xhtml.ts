import { parseDocument } from "htmlparser2";
import { safeAddress } from "./blocks";
import { forXml } from "./for-xml";

type Node = ReturnType<typeof parseDocument>["children"][number];
type Element = Extract<Node, { attribs: object; children: Node[] }>;

const isElement = (node: Node): node is Element => "attribs" in node;
const HEADINGS = new Set(["h1", "h2", "h3", "h4", "h5", "h6"]);
/** Elements that hold blocks and words alike. */
const FLOWS = new Set(["div", "section", "article", "blockquote", "figure", "figcaption"]);
const PHRASES = new Set([
  ...["b", "strong", "i", "em", "u", "s", "sub", "sup", "small", "code", "kbd", "samp", "q", "cite", "abbr"],
  ...["mark", "span", "bdi", "del", "ins"],
]);
const BLOCKS = new Set([
  ...[...HEADINGS, ...FLOWS, "p", "pre", "ul", "ol", "li", "dl", "dt", "dd", "hr"],
  ...["table", "caption", "thead", "tbody", "tfoot", "tr", "td", "th"],
]);
const SILENT = new Set(["script", "style", "template", "noscript", "head", "rp", "rt"]);
/** What lies deeper is words alone. */
const DEEPEST = 60;

/**
 * Sanitised HTML as XHTML in which everything stands where the content models of HTML let it stand, as books ask for
 * (EPUB 3.3, "XHTML content documents"): what is misplaced is taken out of what it stands in, and its words stay.
 * @param html as `sanitise` leaves it
 */
export function xhtmlOf(html: string): string {
  const { children } = parseDocument(html);
  return flow(children, { depth: 0, holders: holdersIn(children), above: [] });
}

/** `above`: the levels, as they were, of the headings what comes stands under. */
type Within = { depth: number; holders: ReadonlySet<Node>; above: number[] };
const deeper = (within: Within): Within => ({ ...within, depth: within.depth + 1 });

/** A heading below those it stands under, and no lower: none is left out between them. The chapter has the first. */
function levelOf(level: number, { above }: Within): number {
  while (above.length && above.at(-1)! >= level) above.pop();
  above.push(level);
  return Math.min(6, above.length + 1);
}

/** Blocks, and words between them as paragraphs. */
function flow(nodes: readonly Node[], within: Within): string {
  let made = "";
  let words: Node[] = [];
  const end = () => {
    const said = phrases(words, within, false).trim();
    if (said) made += `<p>${said}</p>`;
    words = [];
  };
  for (const node of nodes) {
    if (!isElement(node) || !within.holders.has(node)) {
      words.push(node);
      continue;
    }
    end();
    made += within.depth > DEEPEST ? `<p>${escaped(wordsOf(node))}</p>` : block(node, deeper(within));
  }
  end();
  return made;
}

/** Elements that are blocks or hold one: each block marks what it stands in, up to what is marked already. */
function holdersIn(nodes: readonly Node[]): Set<Node> {
  const found = new Set<Node>();
  const open = [...nodes];
  for (let node = open.pop(); node; node = open.pop()) {
    if (!isElement(node)) continue;
    if (BLOCKS.has(node.name))
      for (let at: Node | null = node; at && !found.has(at); at = at.parent as Node | null) found.add(at);
    for (const child of node.children) open.push(child);
  }
  return found;
}

function block(node: Element, within: Within): string {
  const { name, children } = node;
  const inner = () => flow(children, within);
  if (SILENT.has(name)) return "";
  if (HEADINGS.has(name) || name === "p") {
    if (children.some((one) => within.holders.has(one))) return inner();
    const said = phrases(children, within, false).trim();
    if (!said) return "";
    const tag = name === "p" ? "p" : `h${levelOf(Number(name[1]), within)}`;
    return `<${tag}${shared(node)}>${said}</${tag}>`;
  }
  if (name === "pre") return `<pre>${escaped(wordsOf(node))}</pre>`;
  if (name === "hr") return "<hr/>";
  if (name === "ul" || name === "ol") {
    const items = children
      .filter((one) => isElement(one) || wordsOf(one).trim())
      .map((one) => flow(isElement(one) && one.name === "li" ? one.children : [one], within))
      .filter(Boolean);
    return items.length
      ? `<${name}${shared(node)}>${items.map((one) => `<li>${one}</li>`).join("")}</${name}>`
      : "";
  }
  if (name === "dt") return `<p><b>${phrases(children, within, false)}</b></p>`;
  if (name === "table") return table(node, within);
  if (FLOWS.has(name) || name === "dd") {
    const said = inner();
    const tag = name === "blockquote" ? "blockquote" : "div";
    return said ? `<${tag}${shared(node)}>${said}</${tag}>` : "";
  }
  return inner();
}

function table(node: Element, within: Within): string {
  const parts = node.children.flatMap((one) =>
    isElement(one) && /^t(head|body|foot)$/.test(one.name) ? one.children : [one],
  );
  const isCell = (one: Node): one is Element => isElement(one) && /^t[dh]$/.test(one.name);
  const rows = parts.filter((one): one is Element => isElement(one) && one.name === "tr");
  const filled = rows
    .map((row) =>
      row.children
        .filter(isCell)
        .map((cell) => `<${cell.name}>${flow(cell.children, deeper(within))}</${cell.name}>`)
        .join(""),
    )
    .filter(Boolean);
  // Captions, and what stands where nothing may, go before it.
  const astray = parts.flatMap((one) =>
    isElement(one) && one.name === "tr" ? one.children.filter((child) => !isCell(child)) : [one],
  );
  const beside = flow(astray, within);
  return `${beside}${filled.length ? `<table><tbody>${filled.map((cells) => `<tr>${cells}</tr>`).join("")}</tbody></table>` : ""}`;
}

/** Words with marks. @param linked whether they stand in a link: there is none in one */
function phrases(nodes: readonly Node[], within: Within, linked: boolean): string {
  return nodes
    .map((node) => {
      if (!isElement(node)) return "data" in node && node.type === "text" ? escaped(node.data) : "";
      if (SILENT.has(node.name)) return "";
      if (node.name === "br") return "<br/>";
      if (within.depth > DEEPEST) return escaped(wordsOf(node));
      const isLink = node.name === "a";
      const address = isLink && !linked ? safeAddress(node.attribs.href ?? "") : "";
      const inner = phrases(node.children, deeper(within), linked || address !== "");
      if (address) return `<a href="${escaped(address)}">${inner}</a>`;
      return PHRASES.has(node.name) && inner ? `<${node.name}${shared(node)}>${inner}</${node.name}>` : inner;
    })
    .join("");
}

/** Direction and language, where they are such. */
function shared({ attribs: { dir, lang } }: Element): string {
  const turned = dir && /^(ltr|rtl|auto)$/.test(dir) ? ` dir="${dir}"` : "";
  const spoken =
    lang && /^[a-zA-Z]{2,8}(-[a-zA-Z\d]{1,8})*$/.test(lang) ? ` xml:lang="${lang}" lang="${lang}"` : "";
  return turned + spoken;
}

/** The words of an element; by hand, because what is nested ten thousand deep is nested on purpose. */
function wordsOf(node: Node): string {
  const said: string[] = [];
  const open: Node[] = [node];
  for (let next = open.pop(); next; next = open.pop()) {
    if (!isElement(next)) {
      if ("data" in next && next.type === "text") said.push(next.data);
    } else if (!SILENT.has(next.name)) open.push(...next.children.toReversed());
  }
  return said.join("");
}

const escaped = (text: string): string =>
  forXml(text).replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
