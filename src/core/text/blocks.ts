import { Parser } from "htmlparser2";
import type { Run } from "../cite/runs";

/** A paragraph, or a list whose items hold blocks again. */
export type Block =
  { kind: "words"; runs: Run[] } | { kind: "list"; numbered: boolean; start: number; items: Block[][] };

const BOLD = new Set(["b", "strong", "h1", "h2", "h3", "h4", "h5", "h6"]);
const ITALIC = new Set(["i", "em", "cite"]);
const SILENT = new Set(["script", "style", "template", "noscript"]);
const PARAGRAPHS = new Set([
  ...["p", "div", "br", "h1", "h2", "h3", "h4", "h5", "h6", "blockquote", "pre", "section", "article"],
  ...["tr", "dt", "dd"],
]);
/** Deeper lists go on as lists of this depth: nobody reads them, and writers go as deep as they are. */
const DEEPEST = 4;
/** The greatest number a list begins with. */
const MOST = 9_999;

/**
 * Marked text as paragraphs and lists with bold, italic and linked runs, for formats that are no HTML. Whatever else is
 * marked in it is plain words; headings are bold.
 * @param html as it was written, cleaned or not
 */
export function blocksOf(html: string): Block[] {
  const whole: Block[] = [];
  const open: string[] = [];
  /** Where blocks go: the whole, then the newest item of each list that is open. */
  const into: Block[][] = [whole];
  /** With how many there were when it began; null: too deep to be a list of its own. */
  const lists: { list: Extract<Block, { kind: "list" }> | null; depth: number }[] = [];
  let runs: Run[] = [];
  const addresses: string[] = [];
  let silent = 0;
  const put = (block: Block) => {
    const newest = lists.at(-1);
    // What stands in a list and in none of its items is one.
    if (newest?.list && into.length === newest.depth) newest.list.items.push([block]);
    else into.at(-1)!.push(block);
  };
  const end = () => {
    const words = trimmed(runs);
    if (words.length) put({ kind: "words", runs: words });
    runs = [];
  };
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (SILENT.has(name)) silent++;
        open.push(name);
        if (PARAGRAPHS.has(name)) end();
        if (name === "a") addresses.push(safeAddress(attributes.href ?? ""));
        if (name === "ul" || name === "ol") {
          end();
          const isDeep = lists.filter((one) => one.list).length >= DEEPEST;
          const start = Math.min(MOST, Math.max(0, Number.parseInt(attributes.start ?? "1", 10) || 1));
          const list = { kind: "list" as const, numbered: name === "ol", start, items: [] };
          if (!isDeep) put(list);
          lists.push({ list: isDeep ? null : list, depth: into.length });
        }
        if (name === "li") {
          end();
          const newest = lists.at(-1);
          if (newest?.list) {
            // An item whose end is missing ends where the next one begins.
            into.length = newest.depth;
            const item: Block[] = [];
            newest.list.items.push(item);
            into.push(item);
          }
        }
      },
      ontext(text) {
        if (silent) return;
        const words = text.replace(/\s+/g, " ");
        runs.push({
          text: words,
          ...(open.some((name) => ITALIC.has(name)) && { italic: true as const }),
          ...(open.some((name) => BOLD.has(name)) && { bold: true as const }),
          ...(addresses.at(-1) && { address: addresses.at(-1)! }),
        });
      },
      onclosetag(name) {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1);
        if (PARAGRAPHS.has(name) || name === "li") end();
        if (name === "a") addresses.pop();
        if (name === "ul" || name === "ol") {
          end();
          const closed = lists.pop();
          if (closed) into.length = closed.depth;
        }
        open.pop();
      },
    },
    { decodeEntities: true },
  );
  parser.end(html);
  end();
  return whole.map(withoutEmpty).filter((block) => block !== null);
}

/** Without items in which nothing stands, and lists without items. */
function withoutEmpty(block: Block): Block | null {
  if (block.kind === "words") return block;
  const items = block.items
    .map((item) => item.map(withoutEmpty).filter((one) => one !== null))
    .filter((item) => item.length > 0);
  return items.length ? { ...block, items } : null;
}

/** Without blanks at the ends, with single ones between, and with runs of one face joined. */
function trimmed(runs: readonly Run[]): Run[] {
  const joined: Run[] = [];
  const face = ({ text: _, ...rest }: Run) => JSON.stringify(rest);
  for (const run of runs) {
    const last = joined.at(-1);
    const text = !last || last.text.endsWith(" ") ? run.text.trimStart() : run.text;
    if (!text) continue;
    if (last && face(last) === face(run)) last.text += text;
    else joined.push({ ...run, text });
  }
  const last = joined.at(-1);
  if (last) last.text = last.text.trimEnd();
  return joined.filter((run) => run.text);
}

/** An address that leads into the web or to a mailbox; empty for any other, which a file must not open. */
export function safeAddress(address: string): string {
  if (!URL.canParse(address)) return "";
  const url = new URL(address);
  return ["http:", "https:", "mailto:"].includes(url.protocol) ? url.href : "";
}
