import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { fakeBrowser, settle } from "../../tests/units/fake-browser";

const PAIRING = { address: "http://hobbin.example", token: "t", person: "Ama" };
const SEEN = {
  address: "https://moss.example/sundew",
  title: "Sundew",
  description: "",
  pictures: [],
  selection: null as object | null,
  html: "<!doctype html><p>Sundew</p>",
};
let reached: boolean;
let browser: ReturnType<typeof fakeBrowser>;
/** What the page was told, and by which id it can be taken back. */
let said: [string, string | null][];

beforeEach(async () => {
  reached = true;
  said = [];
  browser = fakeBrowser((name) => {
    if (!reached) return null;
    if (name === "teams.read")
      return {
        status: 200,
        body: {
          teams: [
            { id: "looking", name: "Others", role: "viewer" },
            { id: "moss", name: "Moss", role: "editor" },
          ],
        },
      };
    return { status: 200, body: { resource: { id: "r" }, already: false, places: [] } };
  });
  browser.inPage.seePage = () => SEEN;
  browser.inPage.confirmInPage = (words: string, undo: string | null) => void said.push([words, undo]);
  browser.storage.pairing = PAIRING;
  vi.resetModules();
  await import("./background");
});
afterAll(() => (vi.unstubAllGlobals(), vi.resetModules()));

const tell = (event: { listeners: ((...args: never[]) => unknown)[] }, ...args: unknown[]) => {
  for (const one of event.listeners) one(...(args as never[]));
  return settle();
};
const key = () => tell(browser.events.command, "save-at-once", { id: 7 });
const menu = (info: object) => tell(browser.events.menu, info, { id: 7 });
const bySent = () => browser.sent.map(({ name }) => name);

test("its entries stand in the menus of pages, pictures, links and passages", async () => {
  await tell(browser.events.installed);
  expect(browser.menus.toSorted()).toEqual(["link", "page", "passage", "picture"]);
});

test("the key saves the page at once: to the last place, at first the Tray of the first team one may bring into", async () => {
  await key();
  expect(browser.sent.at(-1)).toEqual({
    name: "capture.page",
    input: { team: "moss", address: SEEN.address, title: "Sundew", html: SEEN.html, tags: [] },
  });
  expect(said).toEqual([["Saved to Tray of Moss", expect.any(String)]]);
  // The Tray is the last place by now and needs not be asked for.
  await key();
  expect(bySent().filter((name) => name === "teams.read")).toHaveLength(1);
});

test("without a connection it waits, the badge says how many, and the next look sends them", async () => {
  browser.storage.recent = [{ team: "moss", collection: "bog", title: "The bog" }];
  reached = false;
  await key();
  await key();
  expect(said.at(-1)![0]).toBe("No connection. It goes to The bog as soon as there is one.");
  expect(browser.badges.at(-1)).toBe("2");
  reached = true;
  await tell(browser.events.alarm);
  expect(bySent()).toEqual(["capture.page", "capture.page"]);
  expect(browser.badges.at(-1)).toBe("");
});

test("what the page says it wants undone is taken back; what only waited is not sent at all", async () => {
  await key();
  await tell(browser.events.message, { what: "undo", id: said[0]![1] }, {}, () => undefined);
  expect(browser.sent.at(-1)).toEqual({ name: "tray.set", input: { resource: "r", state: "away" } });
  reached = false;
  await key();
  await tell(browser.events.message, { what: "undo", id: said[1]![1] }, {}, () => undefined);
  expect(Object.keys(browser.storage).filter((key) => key.startsWith("waiting"))).toEqual([]);
});

test("what was saved is taken back also after the browser has put the extension to sleep", async () => {
  await key();
  vi.resetModules();
  await import("./background");
  const woken = browser.events.message.listeners.slice(-1);
  await tell({ listeners: woken }, { what: "undo", id: said[0]![1] }, {}, () => undefined);
  expect(browser.sent.at(-1)).toEqual({ name: "tray.set", input: { resource: "r", state: "away" } });
});

test("of the selected passage its words are kept with what stands around them; without a selection the page", async () => {
  await menu({ menuItemId: "passage" });
  expect(bySent().at(-1)).toBe("capture.page");
  browser.inPage.seePage = () => ({
    ...SEEN,
    selection: { exact: "eats midges", prefix: "it ", suffix: "." },
  });
  await menu({ menuItemId: "passage" });
  expect(browser.sent.at(-1)).toMatchObject({
    name: "capture.note",
    input: {
      text: "eats midges",
      source: SEEN.address,
      selector: { type: "TextQuoteSelector", exact: "eats midges", prefix: "it ", suffix: "." },
    },
  });
});

test("a link is brought in by its address, and a picture that cannot be had as well", async () => {
  await menu({ menuItemId: "link", linkUrl: "https://moss.example/far" });
  expect(browser.sent.at(-1)!.input).toMatchObject({ address: "https://moss.example/far" });
  browser.inPage.seePicture = () => null;
  await menu({ menuItemId: "picture", srcUrl: "https://moss.example/img/sun%20dew.png" });
  expect(browser.sent.at(-1)).toMatchObject({
    name: "capture.address",
    input: { address: "https://moss.example/img/sun%20dew.png" },
  });
});

test("not paired, and on a page that cannot be read, it says so and sends nothing", async () => {
  delete browser.inPage.seePage;
  await key();
  expect(said.at(-1)).toEqual(["This page cannot be read by extensions.", null]);
  delete browser.storage.pairing;
  await key();
  expect(said.at(-1)![0]).toMatch(/^Pair this browser first/);
  expect(bySent().filter((name) => name.startsWith("capture."))).toEqual([]);
});
