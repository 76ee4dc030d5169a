import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { fakeBrowser } from "../../tests/units/fake-browser";

type Marking = Awaited<ReturnType<typeof load>>;
const load = () => import("./marking");
let browser: ReturnType<typeof fakeBrowser>;
let status: number;
let registered: string[];
let allowed: boolean;
let marking: Marking;

beforeEach(async () => {
  status = 200;
  registered = [];
  allowed = true;
  browser = fakeBrowser(() => ({
    status,
    body: status === 200 ? { person: "p", pages: [] } : { detail: "Sign in, please." },
  }));
  Object.assign(chrome.scripting, {
    getRegisteredContentScripts: async ({ ids }: { ids: string[] }) =>
      registered.filter((one) => ids.includes(one)).map((id) => ({ id })),
    registerContentScripts: async ([one]: { id: string; matches: string[] }[]) => {
      if (registered.includes(one!.id)) throw new Error("Duplicate script ID");
      registered.push(one!.id);
    },
    unregisterContentScripts: async ({ ids }: { ids: string[] }) =>
      void (registered = registered.filter((one) => !ids.includes(one))),
  });
  chrome.permissions.request = async () => allowed;
  chrome.permissions.remove = async () => true;
  vi.resetModules();
  marking = await load();
});
afterAll(() => (vi.unstubAllGlobals(), vi.resetModules()));

test("without a pairing of its own nothing is asked; one that was revoked is forgotten, and it is said", async () => {
  const wish = { what: "marks-of", address: "https://moss.example/a" } as const;
  browser.storage.pairing = { address: "http://hobbin.example", token: "brings in", person: "Ama" };
  expect(await marking.answerPage(wish)).toMatchObject({ unpaired: true });
  expect(browser.sent).toEqual([]);
  await marking.keepForMarks({ address: "http://hobbin.example", token: "marks", person: "Ama" });
  expect(await marking.answerPage(wish)).toEqual({ said: { person: "p", pages: [] } });
  expect(browser.sent.map(({ name, input }) => [name, input])).toEqual([
    ["marks.on-page", { address: wish.address }],
  ]);
  status = 401;
  expect(await marking.answerPage({ what: "unmark", mark: "m" })).toEqual({
    ...{ problem: "Sign in, please.", unpaired: true },
  });
  expect(await marking.pairedForMarks()).toBeNull();
  expect(browser.storage.pairing).toBeDefined();
});

test("marks are shown without a press on the sites that were allowed, one by one, until it is taken back", async () => {
  const page = "https://moss.example/a/b?c";
  expect(await marking.showAlways(page, true)).toBe(true);
  expect(registered).toEqual(["marks:https://moss.example/*"]);
  // Behind it is heard too that it is allowed; it is shown there once.
  await marking.showOn(["https://moss.example/*", "https://fen.example/*"]);
  await marking.leaveSites(["https://fen.example/*"]);
  expect(registered).toEqual(["marks:https://moss.example/*"]);
  expect(await marking.isAlways("https://moss.example/other")).toBe(true);
  expect(await marking.isAlways("https://news.moss.example/")).toBe(false);
  expect(await marking.showAlways(page, false)).toBe(false);
  expect(await marking.isAlways(page)).toBe(false);
  allowed = false;
  expect(await marking.showAlways(page, true)).toBe(false);
  expect(registered).toEqual([]);
});
