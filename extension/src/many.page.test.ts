import { fireEvent, screen, waitFor } from "@testing-library/dom";
import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { standAt } from "../../tests/units/stand-at";
import { fakeBrowser } from "../../tests/units/fake-browser";

const LINKS = [
  { address: "https://moss.example/sundew", text: "Sundew", main: true },
  { address: "https://moss.example/butterwort", text: "Butterwort", main: true },
  { address: "https://moss.example/home", text: "Home", main: false },
];
let browser: ReturnType<typeof fakeBrowser>;
let refuse: boolean;

beforeEach(() => {
  refuse = false;
  document.body.innerHTML = '<main id="main"></main>';
  browser = fakeBrowser((name) => {
    if (name === "imports.stage" && refuse) return { status: 413, body: { detail: "Too many at once." } };
    if (name === "imports.read")
      return {
        status: 200,
        body: {
          import: { state: "done", done: 2 },
          lines: [{ became: "made" }, { became: "here" }],
        },
      };
    return { status: 200, body: { teams: [{ id: "moss", name: "Moss", role: "editor" }] } };
  });
  browser.storage.pairing = { address: "http://hobbin.example", token: "t", person: "Ama" };
  browser.storage.recent = [{ team: "moss", collection: "bog", section: "plants", title: "The bog" }];
  browser.inPage.seeLinks = () => LINKS;
  vi.resetModules();
});
afterAll(() => (vi.unstubAllGlobals(), vi.resetModules()));

const open = async (mode: string) => {
  standAt(`http://localhost:3000/many.html?mode=${mode}&tab=7`);
  await import("./many");
};
const ticked = () =>
  screen
    .getAllByRole<HTMLInputElement>("checkbox")
    .map((box) => (box.checked ? 1 : 0))
    .join("");
const button = () => screen.getByRole<HTMLButtonElement>("button", { name: /^Bring in/ });
const lines = () =>
  browser.sent
    .filter(({ name }) => name === "imports.add-lines")
    .flatMap(({ input }) => input.lines as { address: string }[]);

test("the links of the main part are ticked, and what is ticked comes in as one import", async () => {
  await open("links");
  expect(ticked()).toBe("110");
  expect(button().textContent).toBe("Bring in 2");
  fireEvent.submit(document.querySelector("form")!);
  await waitFor(() => expect(screen.getByRole("status").textContent).toBe("Done: they stand in The bog."));
  expect(browser.sent.map(({ name }) => name)).toEqual([
    "imports.stage",
    "imports.add-lines",
    "imports.set",
    "imports.read",
  ]);
  expect(browser.sent[0]!.input).toMatchObject({ team: "moss", into: "bog", section: "plants", total: 2 });
  const ids = new Set(browser.sent.map(({ input }) => input.import));
  expect(ids.size).toBe(1);
  expect(document.querySelector("ul")!.textContent).toContain("· new");
  expect(document.querySelector("ul")!.textContent).toContain("· here already");
});

test("narrowed, ticking and unticking all means those that are shown", async () => {
  await open("links");
  fireEvent.input(screen.getByLabelText("Narrow the list"), { target: { value: "SUNDEW" } });
  fireEvent.click(screen.getByText("Untick all shown"));
  fireEvent.input(screen.getByLabelText("Narrow the list"), { target: { value: "" } });
  expect(ticked()).toBe("010");
  fireEvent.click(screen.getByText("Tick all shown"));
  expect(ticked()).toBe("111");
  for (const box of screen.getAllByRole("checkbox")) fireEvent.click(box);
  expect(button().disabled).toBe(true);
});

test("of the tabs only pages of the web are offered, by a thousand a message", async () => {
  browser.tabs.length = 0;
  for (let i = 0; i < 1001; i++)
    browser.tabs.push({ id: i, url: `https://moss.example/${i}`, title: `Tab ${i}` });
  browser.tabs.push({ id: 9001, url: "chrome://settings", title: "Settings" }, { id: 9002 });
  await open("tabs");
  expect(button().textContent).toBe("Bring in 1001");
  fireEvent.submit(document.querySelector("form")!);
  await waitFor(() => expect(lines()).toHaveLength(1001));
  const parts = browser.sent.filter(({ name }) => name === "imports.add-lines");
  expect(parts.map(({ input }) => [input.no, (input.lines as object[]).length])).toEqual([
    [0, 1000],
    [1, 1],
  ]);
});

test("what is refused is said, and can be tried again", async () => {
  refuse = true;
  await open("links");
  fireEvent.submit(document.querySelector("form")!);
  await waitFor(() => expect(screen.getByRole("status").textContent).toBe("Too many at once."));
  expect(button().disabled).toBe(false);
  expect(lines()).toEqual([]);
});

test("a page that cannot be read has no links, and it says so", async () => {
  delete browser.inPage.seeLinks;
  await open("links");
  expect(document.querySelector("#main p")!.textContent).toBe(
    "There is nothing here that could be brought in.",
  );
});
