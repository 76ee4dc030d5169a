import fc from "fast-check";
import { expect, test } from "vitest";
import { type Block, blocksOf } from "./blocks";
import { plainText } from "./plain";

const said = (block: Block): string =>
  block.kind === "words"
    ? block.runs
        .map(
          (run) =>
            (run.bold ? `*${run.text}*` : run.italic ? `/${run.text}/` : run.text) + (run.address ?? ""),
        )
        .join("|")
    : `${block.numbered ? block.start : "-"}[${block.items.map((item) => item.map(said).join(" ")).join(", ")}]`;
const read = (html: string) => blocksOf(html).map(said);

test.each([
  ["<p>Peat <b>grows</b> <i>slowly</i>.</p>", ["Peat |*grows*| |/slowly/|."]],
  ["<h3>First</h3><p>a<br>b</p>", ["*First*", "a", "b"]],
  ['<ul><li>a</li><li>b<ol start="3"><li>c</li></ol></li></ul><p>d</p>', ["-[a, b 3[c]]", "d"]],
  ["<ul><li><p>a</p><p>b</p></li></ul>", ["-[a b]"]],
  ["<ul><li>a<li>b</ul>c", ["-[a, b]", "c"]],
  ["<ul><li> </li></ul><ul></ul><p></p>", []],
  ['<a href="https://bog.example/?a=1&amp;b">there</a>', ["therehttps://bog.example/?a=1&b"]],
  ['<a href="javascript:alert(1)">no</a><script>x</script>', ["no"]],
  ["words alone &lt;b&gt;", ["words alone <b>"]],
])("%s", (html, blocks) => {
  expect(read(html)).toEqual(blocks);
});

test("no word is lost and none is added, whatever stands in whatever", () => {
  const tag = fc.constantFrom("p", "b", "i", "ul", "ol", "li", "a", "h3", "br", "div", "span");
  const piece = fc.oneof(
    fc.constantFrom("peat", " ", "moss & fen", "x"),
    tag.map((name) => `<${name}>`),
    tag.map((name) => `</${name}>`),
  );
  const wordsOf = (blocks: readonly Block[]): string =>
    blocks
      .map((one) =>
        one.kind === "words" ? one.runs.map((run) => run.text).join("") : one.items.map(wordsOf).join(" "),
      )
      .join(" ");
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 40 }), (parts) => {
      const html = parts.join("");
      const bare = (text: string) => text.replace(/\s+/g, "");
      expect(bare(wordsOf(blocksOf(html)))).toBe(bare(plainText(`<p>${html}</p>`)));
    }),
    { numRuns: 300 },
  );
});

test("twice the text takes no more than about twice the time; depth is bounded", () => {
  const deep = blocksOf("<ul><li>x".repeat(5_000));
  const depth = (all: readonly Block[]): number =>
    Math.max(0, ...all.map((one) => (one.kind === "list" ? 1 + Math.max(...one.items.map(depth)) : 0)));
  expect(depth(deep)).toBeLessThanOrEqual(4);
});
