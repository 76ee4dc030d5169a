import { parseFragment, serialize } from "parse5";
import { expect, test } from "vitest";
import { sanitise, withoutEmpty } from "../text/sanitise";
import { markPictures, takeOutPictures, withPictures } from "./text-pictures";

const PAGE = `<div><p>Peat &amp; moss <img src="/a.jpg" alt="A &quot;dam&quot; > here"> grow.</p>
<p><img alt='' src='b.png?x=1&amp;y=2'></p><ul><li>One <img src="https://moss.example/c.jpg"></li><li>Two</li></ul>
<p>The end.</p><img src="data:image/png;base64,xx"><img src="javascript:alert(1)"><img></div>`;

const keptOf = (html: string) => {
  const { html: marked, pictures } = markPictures(html, "https://bog.example/page/");
  const taken = takeOutPictures(sanitise(marked), pictures);
  return { ...taken, html: withoutEmpty(taken.html) };
};
const kept = (address: string, alt: string, at: number) => ({
  ...{ hash: address.slice(-5, -4).repeat(64), alt, at, width: 800, height: 600 },
});

test("the pictures of a text are taken with their places, and the text is what it is without them", () => {
  const { html, pictures } = keptOf(PAGE);
  expect(pictures.map(({ address, alt }) => [address, alt])).toEqual([
    ["https://bog.example/a.jpg", 'A "dam" > here'],
    ["https://bog.example/page/b.png?x=1&y=2", ""],
    ["https://moss.example/c.jpg", ""],
  ]);
  const words = (text: string) => text.replace(/<[^>]*>|\s/g, "");
  expect(words(html)).toBe(words(sanitise(PAGE)));
  expect(html).not.toMatch(/img|\ufdd0|\ufdd1/);
});

test("kept, each stands behind the paragraph or list it was in, and nothing else is other", () => {
  const { html, pictures } = keptOf(PAGE);
  const whole = withPictures(
    html,
    pictures.map((one, i) => kept(`${"abc"[i]}.jpg`, one.alt, one.at)),
  );
  expect(whole.replace(/<img[^>]*>/g, "")).toBe(html);
  expect(whole.replace(/<img src="\/api\/pictures\/(.)[^>]*>/g, "<$1>").replace(/\s/g, "")).toBe(
    "<div><p>Peat&amp;mossgrow.</p><a><b><ul><li>One</li><li>Two</li></ul><c><p>Theend.</p></div>",
  );
  // Whole in itself: a parser by the standard writes the same.
  expect(serialize(parseFragment(whole))).toBe(
    whole.replaceAll(" />", ">").replaceAll("&#34;", "&quot;").replaceAll("&#62;", "&gt;"),
  );
});

test("what its alternative text says stays text, and a place behind the end is the end", () => {
  const whole = withPictures("<p>Moss</p>", [kept("a.jpg", '"><script>x</script>', 900)]);
  expect(whole).toMatch(/^<p>Moss<\/p><img src="\/api\/pictures\/a{64}" alt="[^"<>]*" width="800"/);
  expect(withPictures("Words alone", [kept("a.jpg", "", 0)])).toMatch(/^Words alone<img/);
  expect(withPictures("<p>Moss</p>", [])).toBe("<p>Moss</p>");
});
