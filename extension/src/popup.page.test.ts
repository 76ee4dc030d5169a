import { fireEvent, screen, waitFor } from "@testing-library/dom";
import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { fakeBrowser } from "../../tests/units/fake-browser";

const PAIRING = { address: "http://hobbin.example", token: "t", person: "Ama" };
const PAGE = {
  address: "https://moss.example/sundew",
  title: "Sundew",
  description: "A plant that eats.",
  pictures: [] as string[],
  selection: null as object | null,
  html: "<!doctype html>",
};
const KNOWN: Record<string, object> = {
  "teams.read": { teams: [{ id: "moss", name: "Moss", role: "editor" }] },
  "collections.tree": {
    collections: [
      { id: "bog", parent: null, title: "The bog" },
      { id: "fen", parent: null, title: "The fen" },
    ],
  },
  "tags.read": { tags: [{ name: "water table", count: 3 }] },
  "collections.sections": { sections: [{ id: "plants", title: "Plants" }] },
  "resources.known": { known: [null] },
  "tokens.pair": { token: "new", person: "Ama" },
};
let answers: Record<string, { status: number; body: object } | null>;
let browser: ReturnType<typeof fakeBrowser>;

beforeEach(() => {
  answers = {};
  document.body.innerHTML = '<main id="main"></main>';
  browser = fakeBrowser((name) =>
    name in answers
      ? answers[name]!
      : {
          status: 200,
          body: KNOWN[name] ?? { resource: { id: "r" }, item: { id: "i" }, already: false, places: [] },
        },
  );
  browser.storage.pairing = PAIRING;
  browser.inPage.func = browser.inPage.seePage = () => PAGE;
  browser.inPage.seePairing = () => null;
  vi.stubGlobal("close", vi.fn());
  vi.resetModules();
});
afterAll(() => (vi.unstubAllGlobals(), vi.resetModules()));

/** Presses the extension's button on a page. */
async function press(page: Partial<typeof PAGE> = {}) {
  browser.inPage.seePage = () => ({ ...PAGE, ...page });
  await import("./popup");
}
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name, { selector: "input,textarea" });
const save = () => fireEvent.submit(document.querySelector("form")!);
const said = () => document.getElementById("said")!.textContent;
const captured = () =>
  browser.sent.filter(({ name }) => name.startsWith("capture.")).map(({ input }) => input);

test("a press and Enter save the page to the Tray, with what it says of itself", async () => {
  await press();
  expect(field("Title").value).toBe("Sundew");
  expect(document.activeElement).toBe(field("Where it goes"));
  save();
  await waitFor(() => expect(said()).toBe("Saved to Tray of Moss."));
  expect(captured()).toEqual([
    {
      team: "moss",
      address: PAGE.address,
      title: "Sundew",
      description: PAGE.description,
      html: PAGE.html,
      tags: [],
    },
  ]);
});

test("a place is found by its letters, its sections are offered, and tags are completed or new", async () => {
  await press();
  const place = field("Where it goes");
  fireEvent.input(place, { target: { value: "fen" } });
  fireEvent.keyDown(place, { key: "Enter" });
  fireEvent.click(await screen.findByText("Plants"));
  expect(document.activeElement).toBe(field("Tags"));
  fireEvent.input(field("Tags"), { target: { value: "tab" } });
  fireEvent.keyDown(field("Tags"), { key: "ArrowDown" });
  fireEvent.keyDown(field("Tags"), { key: "Enter" });
  // What is typed and not ended yet is a tag as well.
  fireEvent.input(field("Tags"), { target: { value: "carnivore" } });
  save();
  await waitFor(() => expect(said()).toBe("Saved to The fen, Plants."));
  expect(captured()[0]).toMatchObject({
    collection: "fen",
    section: "plants",
    tags: ["water table", "carnivore"],
  });
  expect(browser.storage.recentTags).toEqual(["water table", "carnivore"]);
});

test("a tag taken off again is not sent", async () => {
  await press();
  for (const tag of ["moss", "bog"]) {
    fireEvent.input(field("Tags"), { target: { value: tag } });
    fireEvent.keyDown(field("Tags"), { key: "," });
  }
  fireEvent.click(screen.getByLabelText("Take off moss"));
  save();
  await waitFor(() => expect(captured()[0]?.tags).toEqual(["bog"]));
});

test("of a selected passage its words are kept, unless one chooses the page", async () => {
  await press({ selection: { exact: "eats midges", prefix: "", suffix: "" } });
  save();
  await waitFor(() => expect(captured()[0]).toMatchObject({ text: "eats midges", source: PAGE.address }));
});

test("what is refused is said, and can be tried again as it stands", async () => {
  answers["capture.page"] = { status: 422, body: { errors: [{ detail: "That title is too long." }] } };
  await press();
  fireEvent.input(field("Title"), { target: { value: "A title" } });
  save();
  await waitFor(() => expect(said()).toBe("That title is too long."));
  expect(field("Title").value).toBe("A title");
  delete answers["capture.page"];
  save();
  await waitFor(() => expect(said()).toBe("Saved to Tray of Moss."));
});

test("without a connection it opens by what it knew, and what is saved waits", async () => {
  browser.storage.known = { teams: [{ id: "moss", name: "Moss", role: "editor" }], tree: [], tags: [] };
  for (const name of [...Object.keys(KNOWN), "capture.page"]) answers[name] = null;
  await press();
  save();
  await waitFor(() => expect(said()).toMatch(/^No connection\. It goes to Tray of Moss/));
  expect(Object.keys(browser.storage).filter((key) => key.startsWith("waiting:"))).toHaveLength(1);
});

test("what is in the catalogue already says so before it is saved", async () => {
  answers["resources.known"] = { status: 200, body: { known: ["r"] } };
  await press();
  expect(said()).toBe("In the catalogue already. Saving places it again.");
});

const heading = () => document.querySelector("h1")?.textContent;

test("a pairing that was revoked is forgotten, and the way to pair again is said", async () => {
  answers["teams.read"] = { status: 401, body: {} };
  for (const known of [undefined, { teams: KNOWN["teams.read"]!["teams" as never], tree: [], tags: [] }]) {
    browser.storage.known = known;
    browser.storage.pairing = PAIRING;
    vi.resetModules();
    await press();
    await waitFor(() => expect(heading()).toBe("Not paired any more"));
    expect(browser.storage.pairing).toBeUndefined();
  }
});

test("opened for the first time with nowhere to save to, it says why", async () => {
  answers["teams.read"] = null;
  await press();
  expect(screen.getByRole("status").textContent).toBe("Hobbin cannot be reached just now.");
  answers["teams.read"] = { status: 200, body: { teams: [{ id: "x", name: "Others", role: "viewer" }] } };
  vi.resetModules();
  await press();
  expect(screen.getByRole("status").textContent).toBe("In none of your teams you may bring things in.");
});

test("it pairs from Hobbin's own page, and says what went wrong with a code that has run out", async () => {
  delete browser.storage.pairing;
  await press();
  expect(document.querySelector("h1")!.textContent).toBe("Not paired yet");
  vi.resetModules();
  browser.inPage.seePairing = () => ({ code: "abc", address: "http://hobbin.example" });
  answers["tokens.pair"] = { status: 404, body: { detail: "This code has run out." } };
  await press();
  expect(document.querySelector(".stop")!.textContent).toBe("This code has run out.");
  vi.resetModules();
  delete answers["tokens.pair"];
  await press();
  expect(document.querySelector("h1")!.textContent).toBe("Paired with Ama");
  // The keys as they are in this browser, where one may have changed them.
  expect(screen.getByText("Alt+Shift+B opens this window, Ctrl+Y saves at once.")).toBeTruthy();
  expect(browser.storage.pairing).toEqual({ address: "http://hobbin.example", token: "new", person: "Ama" });
});

test("a page extensions may not read offers what can be done all the same", async () => {
  delete browser.inPage.seePage;
  vi.resetModules();
  await import("./popup");
  expect(document.querySelector("h1")!.textContent).toBe("This page cannot be saved");
  fireEvent.click(screen.getByText("Tabs of this window …"));
  await waitFor(() => expect(browser.opened).toEqual(["extension://hobbin/many.html?mode=tabs&tab=7"]));
});
