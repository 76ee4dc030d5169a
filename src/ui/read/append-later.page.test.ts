import { beforeEach, expect, test, vi } from "vitest";
import { beginningOf } from "@/core/page/beginning";
import { appendLater } from "./append-later";

beforeEach(() => {
  vi.stubGlobal("requestAnimationFrame", (run: () => void) => setTimeout(run, 0));
  vi.stubGlobal("cancelAnimationFrame", clearTimeout);
});

const append = (html: string, least: number) => {
  const root = document.createElement("div");
  root.innerHTML = beginningOf(html, least);
  expect(root.innerHTML.length).toBeLessThan(html.length);
  return new Promise<string>((resolve) => appendLater(root, html, () => resolve(root.innerHTML)));
};
const paragraphs = (count: number) =>
  Array.from({ length: count }, (_, i) => `<p>Entry <b>${i}</b> of it.</p>`).join("");

test("the rest of a text stands behind its beginning as if all had come at once, wherever it broke off", async () => {
  const flat = paragraphs(1_000);
  expect(await append(flat, 2_000)).toBe(flat);
  // Within what goes round it, and within a list in that.
  const nested = `<div><blockquote>${paragraphs(300)}</blockquote><ul>${"<li>one</li>".repeat(400)}</ul></div><p>End</p>`;
  expect(await append(nested, 2_000)).toBe(nested);
  expect(await append(nested, 3_000)).toBe(nested);
  // Within a word of what has no block.
  const words = `<p>${"peat and moss ".repeat(2_000)}</p><p>End</p>`;
  expect(await append(words, 2_000)).toBe(words);
});

test("what is ended puts nothing more there", async () => {
  const root = document.createElement("div");
  root.innerHTML = paragraphs(1);
  const done = vi.fn();
  appendLater(root, paragraphs(500), done)();
  await new Promise((resolve) => setTimeout(resolve, 5));
  expect(root.innerHTML).toBe(paragraphs(1));
  expect(done).not.toHaveBeenCalled();
});
