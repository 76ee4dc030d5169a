import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { atRest } from "./axe";
import { expect, items, openCollection, paste, signIn, test } from "./hands";

// Each look is a walk of its own, and none waits for the one before.
test.describe.configure({ mode: "parallel" });

const LEVEL_AA = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];

/** What passes needs no description; on a long page that is most of the work. */
const options = { resultTypes: ["violations" as const] };

const check = async (page: Page, what: string, axe: AxeBuilder) => {
  await atRest(page);
  const { violations } = await axe.analyze();
  // axe puts its findings together in a second page; the keys that follow are for this one.
  await page.bringToFront();
  expect(
    violations.map((v) => `${what}: ${v.id} ${v.nodes.map((n) => n.target.join(" ")).join(", ")}`),
  ).toEqual([]);
};
/** No violation of level A or AA. */
const clean = (page: Page, what: string) =>
  check(page, what, new AxeBuilder({ page }).options({ runOnly: LEVEL_AA, ...options }));
/** What can be other in the dark than in the light is contrast alone. */
const legible = (page: Page, what: string) =>
  check(
    page,
    what,
    new AxeBuilder({ page }).options({ runOnly: { type: "rule", values: ["color-contrast"] }, ...options }),
  );

/** Nothing runs over the edge, however narrow the window. */
const fits = (page: Page, what: string) =>
  expect
    .poll(
      () => page.locator("main").evaluate((main) => Math.max(0, main.scrollWidth - main.clientWidth)),
      what,
    )
    .toBe(0);

/** The pages of a team around the Bench, by their own part of the address. */
async function teamPages(page: Page): Promise<string[]> {
  await page.waitForURL(/team/);
  const desk = page.url();
  const team = desk.split("/").at(-1);
  const { tags } = (await (await page.request.get(`/api/actions/tags.read?team=${team}`)).json()) as {
    tags: { id: string }[];
  };
  const own = [
    "",
    "/people",
    "/bin",
    "/imports",
    "/mail",
    "/rules",
    "/duplicates",
    "/catalogue?q=water",
    "/collections",
    "/tags",
    `/tags/${tags[0]!.id}`,
  ];
  return [...own.map((path) => `${desk}${path}`), "/bring", "/account"];
}

const OUTSIDE = ["/sign-in", "/sign-up", "/forgotten", "/new-password", "/no-such-page"];
const VIEWS = [
  ["2", "Cards"],
  ["3", "Board"],
  ["4", "Table"],
  ["5", "Steps"],
  ["1", "Rows"],
] as const;
// As high as is left of a phone between the bars of its browser: menus are higher and scroll.
const PHONE = { viewport: { width: 390, height: 664 } };

test("axe finds no violation of level A or AA on the pages outside and around the Bench", async ({
  browser,
}) => {
  const stranger = await (await browser.newContext()).newPage();
  for (const path of OUTSIDE) {
    await stranger.goto(path);
    await clean(stranger, path);
  }
  const page = await signIn(browser, "ama");
  for (const path of await teamPages(page)) {
    await page.goto(path);
    await clean(page, path);
    await fits(page, path);
  }
});

test("axe finds no violation of level A or AA on the Bench", async ({ browser }) => {
  const page = await signIn(browser, "ama");
  await openCollection(page, "Moss key for beginners");
  const room = await openFirst(page);
  await clean(page, "Bench with an item opened");
  await openMenu(page);
  await clean(page, "menu");
  await page.keyboard.press("Escape");
  await page.getByRole("tab", { name: "Catalogue" }).click();
  for (const [key, view] of VIEWS) {
    await page.keyboard.press(key);
    await shows(page, view);
    await clean(page, view);
  }
  await chooseTwo(page);
  await clean(page, "several chosen");
  await page.goto(page.url().replace("bench", "publish"));
  await clean(page, "Publish");
  await page.goto(room);
  await clean(page, "Reading room");
});

test("axe finds no violation of level A or AA while bringing in", async ({ browser }) => {
  const page = await signIn(browser, "ama");
  await openCollection(page, "Moss key for beginners");
  await page.keyboard.press("b");
  for (const tab of ["Address", "Files", "A list", "By hand"]) {
    await page.getByRole("tab", { name: tab }).click();
    await clean(page, `Bring in: ${tab}`);
  }
  await page.keyboard.press("Escape");
  await pasteList(page);
  await clean(page, "a list before it is brought in");
});

// The colours themselves are computed pair by pair (tests/reference/contrast.test.ts); this is that the pages use them.
test("in the dark everything is legible", async ({ browser }) => {
  const page = await signIn(browser, "ama", { colorScheme: "dark" });
  for (const path of await teamPages(page)) {
    if (!/catalogue|collections|tags\/|people$/.test(path)) continue;
    await page.goto(path);
    await legible(page, path);
  }
  await page.goto("/");
  await legible(page, "Desk");
  await openCollection(page, "Moss key for beginners");
  const room = await openFirst(page);
  await legible(page, "Bench with an item opened");
  await page.keyboard.press("Escape");
  await page.keyboard.press("3");
  await shows(page, "Board");
  await legible(page, "Board");
  await page.keyboard.press("1");
  await shows(page, "Rows");
  await chooseTwo(page);
  await pasteList(page);
  await legible(page, "a list before it is brought in");
  await page.goto(page.url().replace("bench", "publish"));
  await legible(page, "Publish");
  await page.goto(room);
  await legible(page, "Reading room");
});

test("on a phone no page of the team runs over the edge, and axe finds no violation where the layout is another one", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama", PHONE);
  for (const path of await teamPages(page)) {
    await page.goto(path);
    await fits(page, path);
    if (/catalogue|collections/.test(path)) await clean(page, path);
  }
  await page.goto("/");
  await clean(page, "Desk");
});

test("on a phone axe finds no violation in the views of the Bench", async ({ browser }) => {
  const page = await signIn(browser, "ama", PHONE);
  await openCollection(page, "Moss key for beginners");
  await openMenu(page);
  await clean(page, "menu");
  await page.keyboard.press("Escape");
  await page.keyboard.press("3");
  await shows(page, "Board");
  await clean(page, "Board");
  await page.keyboard.press("1");
  await shows(page, "Rows");
  await chooseTwo(page);
  await clean(page, "several chosen");
  await page.keyboard.press("Escape");
  await pasteList(page);
  await clean(page, "a list before it is brought in");
});

test("on a phone axe finds no violation in an opened item, Publish and the reading room", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama", PHONE);
  await openCollection(page, "Moss key for beginners");
  const room = await openFirst(page);
  await clean(page, "Bench with an item opened");
  await page.goto(page.url().replace("bench", "publish"));
  await clean(page, "Publish");
  await page.goto(room);
  await clean(page, "Reading room");
  const widths = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
  expect(widths[0]).toBeLessThanOrEqual(widths[1]!);
});

/** Opens the details of the first item. @returns where its text is read */
async function openFirst(page: Page): Promise<string> {
  await items(page).first().focus();
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Heading here")).toBeVisible();
  await expect(page.getByLabel("Kind of work, for citing")).toBeVisible();
  return (await page.getByRole("link", { name: "Read it here" }).getAttribute("href"))!;
}

async function openMenu(page: Page): Promise<void> {
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await expect(page.getByRole("menuitem").last()).toBeVisible();
}

async function shows(page: Page, view: string): Promise<void> {
  await expect(page.getByRole("radio", { name: view, exact: true })).toBeChecked();
  await expect(items(page).first()).toBeVisible();
}

async function chooseTwo(page: Page): Promise<void> {
  await items(page).first().click();
  await items(page)
    .nth(1)
    .click({ modifiers: ["Shift"] });
  await expect(page.getByRole("toolbar", { name: /chosen items/ })).toBeVisible();
}

async function pasteList(page: Page): Promise<void> {
  await paste(page, "Reading:\nOne – https://list.localhost/1\nhtp://two\nhttps://list.localhost/3");
  await expect(page.getByText("2 new")).toBeVisible();
}

test("by keyboard alone: palette, keys, bring in, choose, open, fold", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys on this screen" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("/");
  await expect(page.getByPlaceholder("Find anything, go anywhere")).toBeFocused();
  await page.keyboard.type("moss key");
  await expect(page.getByRole("option", { name: "Moss key for beginners", exact: true })).toBeVisible();
  await page.keyboard.press("Enter");
  await page.waitForURL(/bench/);
  await items(page).first().focus();
  await page.keyboard.press("ArrowDown");
  await expect(items(page).nth(1)).toBeFocused();
  await page.keyboard.press("End");
  await expect(items(page).last()).toBeFocused();
  await page.keyboard.press("Home");
  await expect(items(page).first()).toBeFocused();
  await page.keyboard.press("s");
  await expect(page.getByRole("tab", { name: "Catalogue" })).toBeHidden();
  await page.keyboard.press("s");
  await expect(page.getByRole("tab", { name: "Catalogue" })).toBeVisible();
  await page.keyboard.press("b");
  await page.getByLabel("Web address").fill("nonsense here");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/not a web address/)).toBeVisible();
  await expect(page.getByLabel("Web address")).toHaveValue("nonsense here");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Collections", exact: true }).click();
  await page.keyboard.type("sounds");
  await expect(page.getByRole("option", { name: "Sounds for the walk", exact: true })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "Sounds for the walk" })).toBeAttached();
});
