import { expect, test } from "vitest";
import { robotsAllow } from "@/outside/fetch/robots";

let sites = 0;
/** A site with this robots.txt; each is asked anew, because answers are remembered by site. */
function site(text: string, status = 200) {
  const origin = `https://site${++sites}.example`;
  return (path: string) => robotsAllow(new URL(path, origin), async () => ({ status, text }));
}

/** RFC 9309 §5.1, "Simple Example", with one of its crawlers named as ours. */
const simple = (own: string) =>
  `
User-Agent: *
Disallow: *.gif$
Disallow: /example/
Allow: /publications/

User-Agent: foobot
Disallow:/
Allow:/example/page.html
Allow:/example/allowed.gif

User-Agent: barbot
User-Agent: bazbot
Disallow: /example/page.html
`.replace(own, "Hobbin");

test("RFC 9309 §5.1: only the group of the crawler's own name counts, or else that of all", async () => {
  const all = site(simple("no one"));
  expect(await all("/publications/1")).toBe(true);
  expect(await all("/example/page.html")).toBe(false);
  expect(await all("/pictures/bog.gif")).toBe(false);
  const foo = site(simple("foobot"));
  expect(await foo("/example/page.html")).toBe(true);
  expect(await foo("/example/allowed.gif")).toBe(true);
  expect(await foo("/publications/1")).toBe(false);
  // Several names before one group.
  for (const name of ["barbot", "bazbot"]) {
    const named = site(simple(name));
    expect(await named("/example/page.html")).toBe(false);
    expect(await named("/example/other.gif")).toBe(true);
  }
});

/** Common practice since before the RFC; its §5.1 leaves even the `Disallow` out, which the package does not follow. */
test("a group that disallows nothing allows everything, whatever holds for all", async () => {
  expect(await site("User-agent: Hobbin\nDisallow:\n\nUser-agent: *\nDisallow: /")("/a")).toBe(true);
});

test("RFC 9309 §5.2: the longest match wins", async () => {
  const allowed = site("User-Agent: Hobbin\nAllow: /example/page/\nDisallow: /example/page/disallowed.gif\n");
  expect(await allowed("/example/page/disallowed.gif")).toBe(false);
  expect(await allowed("/example/page/1.gif")).toBe(true);
});

test("RFC 9309 §2.2.1: the crawler's name is matched without regard to case", async () => {
  expect(await site("user-agent: HOBBIN\ndisallow: /")("/a")).toBe(false);
});

test("RFC 9309 §2.2.2: when an allow and a disallow match alike, the allow is used", async () => {
  expect(await site("User-agent: *\nDisallow: /page\nAllow: /page")("/page")).toBe(true);
});

test("RFC 9309 §2.2.3: # begins a comment, $ is the end, * is any number of characters", async () => {
  const special = site("User-agent: * # all\nDisallow: /a # not this\nDisallow: /*.php$\n");
  expect(await special("/a")).toBe(false);
  expect(await special("/index.php")).toBe(false);
  expect(await special("/index.php?page=2")).toBe(true);
});

test("RFC 9309 §2.3.1: what is not there allows everything; what fails or cannot be reached forbids it", async () => {
  for (const status of [400, 401, 403, 404, 410]) expect(await site("", status)("/a")).toBe(true);
  for (const status of [500, 503]) expect(await site("", status)("/a")).toBe(false);
  const unreachable = () => Promise.reject(new Error("no answer"));
  expect(await robotsAllow(new URL("https://gone.example/a"), unreachable)).toBe(false);
});

test("a site is asked once, for all its pages", async () => {
  let asked = 0;
  const get = async () => (asked++, { status: 200, text: "User-agent: *\nDisallow: /b" });
  const allowed = [];
  for (const path of ["a", "b", "c"])
    allowed.push(await robotsAllow(new URL(path, "https://once.example/"), get));
  expect([allowed, asked]).toEqual([[true, false, true], 1]);
});
