import { expect, test } from "vitest";
import { clipHtml, clipText, linksText, readClip } from "./clipboard";

const items = [
  {
    heading: "",
    context: "Watch <this> first",
    resource: { title: "Bog & fen", address: "https://bog.example/?a=1&b=2" },
  },
  { heading: "Our note", context: "", resource: { title: "Note", address: "" } },
];

test("what is copied is a list of links for others, and for Hobbin the items themselves", () => {
  const clip = { team: "t", placements: ["a", "b"], cut: true };
  const rich = clipHtml(items, clip);
  expect(rich).toContain(
    '<a href="https://bog.example/?a=1&amp;b=2">Bog &amp; fen</a><br>Watch &lt;this&gt; first',
  );
  expect(readClip(`<meta charset="utf-8">${rich}`)).toEqual(clip);
  expect(clipText(items)).toBe("Bog & fen\nhttps://bog.example/?a=1&b=2\n\nOur note");
  expect(linksText(items)).toBe("https://bog.example/?a=1&b=2");
});

test("what others put there is not taken for ours", () => {
  for (const text of [
    "",
    "<ul><li>x</li></ul>",
    '<ul data-hobbin="%7B">',
    '<ul data-hobbin="%7B%22team%22%3A1%7D">',
    '<p data-hobbin="%E0%A4">',
  ])
    expect(readClip(text)).toBeNull();
});
