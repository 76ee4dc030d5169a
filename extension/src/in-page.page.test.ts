import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { standAt } from "../../tests/units/stand-at";
import { confirmInPage, seeLinks, seePage, seePairing } from "./in-page";

// The list of pictures is one thing happy-dom's documents lack.
Object.defineProperty(document, "images", { get: () => document.querySelectorAll("img") });
const page = (head: string, body: string) => {
  document.head.innerHTML = head;
  document.body.innerHTML = body;
};
beforeEach(() => standAt("https://moss.example/sundew"));
// Whatever becomes of a test: what comes after it has the clock and the browser as they are.
afterEach(() => vi.unstubAllGlobals());

/** Whether a function needs nothing from outside: the browser sends its text alone into the page. */
test("what is handed to the page is whole in itself", () => {
  for (const one of [seePage, seeLinks, seePairing, confirmInPage])
    expect(one.toString()).not.toMatch(/__vi_import|__vite|import\(/);
});

test("a page is seen as the person sees it: what was typed, scripts and frames stay out", () => {
  page(
    `<title>Sundew</title><script>steal()</script>`,
    `<h1 onclick="steal()">Sundew</h1><p>eats midges</p>
     <form><input value="my password"><textarea>my letter</textarea><select><option>my choice</option></select></form>
     <div contenteditable="true">my draft</div><iframe srcdoc="<p>framed</p>"></iframe>
     <script type="application/ld+json">{"@type":"Article"}</script>`,
  );
  const { html, title, address } = seePage();
  expect([title, address]).toEqual(["Sundew", "https://moss.example/sundew"]);
  expect(html).toMatch(/^<!doctype html>/);
  expect(html).toContain("eats midges");
  expect(html).toContain('"@type":"Article"');
  for (const secret of ["steal", "my password", "my letter", "my choice", "my draft", "framed"])
    expect(html).not.toContain(secret);
});

/** The Open Graph protocol: https://ogp.me/ */
test("title, description and picture are what the page says of itself for being shared", () => {
  page(
    `<title>Sundew | Moss station</title>
     <meta property="og:title" content=" The round-leaved sundew ">
     <meta name="description" content="for search"><meta property="og:description" content="for sharing">
     <meta property="og:image" content="/img/sundew.jpg"><meta name="twitter:image" content="javascript:alert(1)">`,
    "",
  );
  const seen = seePage();
  expect(seen).toMatchObject({ title: "The round-leaved sundew", description: "for sharing" });
  expect(seen.pictures).toEqual(["https://moss.example/img/sundew.jpg"]);
});

test("a page without a title goes by its host", () => {
  page("", "");
  expect(seePage().title).toBe("moss.example");
});

test("links are listed once each, those of menus and margins apart, those without words not chosen", () => {
  page(
    "",
    `<nav><a href="/home">Home</a><a href="/far">Far</a></nav>
     <main><a href="/far">Far  away</a><a href="/img"><img alt="A picture"></a><a href="/bare"></a>
     <a href="#notes">Notes</a><a href="mailto:a@moss.example">Write</a><a href="javascript:alert(1)">Press</a></main>
     <footer><a href="https://other.example/">Other</a></footer>`,
  );
  const found = Object.fromEntries(seeLinks().map((one) => [one.address, one]));
  const far = found["https://moss.example/far"]!;
  expect(far.main).toBe(true);
  expect(found["https://moss.example/home"]!.main).toBe(false);
  expect(found["https://other.example/"]!.main).toBe(false);
  expect(found["https://moss.example/img"]).toMatchObject({ text: "A picture", main: true });
  expect(found["https://moss.example/bare"]!.main).toBe(false);
  expect(found["https://moss.example/sundew#notes"]!.main).toBe(false);
  expect(Object.keys(found).some((address) => /^(mailto|javascript)/.test(address))).toBe(false);
});

test("on a page that marks no main part everything outside its margins is main", () => {
  page("", `<header><a href="/home">Home</a></header><div><a href="/far">Far</a></div>`);
  expect(seeLinks().map((one) => [one.text, one.main])).toEqual([
    ["Home", false],
    ["Far", true],
  ]);
});

test("the pairing is read from Hobbin's own page, with the address it stands at", () => {
  page("", `<p>nothing</p>`);
  expect(seePairing()).toBeNull();
  page("", `<div data-hobbin-pairing="abc-123"></div>`);
  expect(seePairing()).toEqual({ code: "abc-123", address: "https://moss.example", marks: false });
  page("", `<div data-hobbin-pairing="abc-124" data-hobbin-for="marks"></div>`);
  expect(seePairing()).toEqual({ code: "abc-124", address: "https://moss.example", marks: true });
});

test("what is confirmed is said as text, one at a time, with the way back", () => {
  const sendMessage = vi.fn(async () => undefined);
  vi.stubGlobal("chrome", { runtime: { sendMessage } });
  const later = vi.fn<(work: () => void, ms: number) => void>();
  vi.stubGlobal("setTimeout", later);
  confirmInPage("Saved to <b>The bog</b>", "id-1");
  confirmInPage("Saved to <b>The fen</b>", "id-2");
  const hosts = document.querySelectorAll("#hobbin-said");
  expect(hosts).toHaveLength(1);
  const root = hosts[0]!.shadowRoot!;
  expect(root.querySelector("[role=status]")!.textContent).toContain("Saved to <b>The fen</b>");
  root.querySelector("button")!.click();
  expect(sendMessage).toHaveBeenCalledExactlyOnceWith({ what: "undo", id: "id-2" });
  expect(document.querySelector("#hobbin-said")).toBeNull();
  // Without a way back there is no button, and after a while it goes by itself.
  confirmInPage("This page cannot be read by extensions.", null);
  expect(document.querySelector("#hobbin-said")!.shadowRoot!.querySelector("button")).toBeNull();
  const [goes, ms] = later.mock.lastCall!;
  expect(ms).toBe(8000);
  goes();
  expect(document.querySelector("#hobbin-said")).toBeNull();
});
