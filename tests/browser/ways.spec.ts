import { chromium, type Locator } from "@playwright/test";
import { at, expect, items, makeCollection, openCopy, paste, signIn, test } from "./hands";

/* Ways that led astray once. */

test("a new collection from the path: its field has the focus each time, whatever closes behind it", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Ways");
  const field = page.getByRole("dialog").getByLabel("Title");
  for (const title of ["First inside", "Second inside"]) {
    await page.getByRole("button", { name: "Collections", exact: true }).click();
    await page.getByRole("button", { name: "New collection in this one" }).click();
    // As people do, without looking whether the field is there.
    await page.keyboard.type(title);
    await expect(field).toHaveValue(title);
    await expect(field).toBeFocused();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { level: 1, name: title })).toBeAttached();
    await page.goBack();
    await expect(page.getByRole("heading", { level: 1, name: "Ways" })).toBeAttached();
  }
});

test("a text between the items begins empty, takes every letter, and leaves nothing when nothing is written", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Between");
  await page.keyboard.press("w");
  await page.keyboard.type("Then choose two of these.");
  await expect(page.getByRole("textbox", { name: "Text", exact: true })).toHaveValue(
    "Then choose two of these.",
  );
  await page.keyboard.press("Escape");
  await expect(items(page)).toHaveCount(1);
  await page.keyboard.press("w");
  await expect(page.getByRole("textbox", { name: "Text", exact: true })).toHaveValue("");
  await page.keyboard.press("Escape");
  await expect(items(page)).toHaveCount(1);
  // One is where one came from, and not nowhere.
  await expect(items(page)).toBeFocused();
  await page.reload();
  await expect(items(page)).toHaveCount(1);
  await expect(items(page)).toContainText("Then choose two of these.");
  // The same for a section: its letters are not keys of the page.
  await page.keyboard.press("n");
  await page.keyboard.type("Second half");
  await expect(page.getByLabel("Name of the section")).toHaveValue("Second half");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /Second half/ })).toBeVisible();
});

test("what the browser holds back is said, with a way on", async () => {
  // As people have it: one page at a press.
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    ignoreDefaultArgs: ["--disable-popup-blocking"],
  });
  try {
    const page = await signIn(browser, "ama", { baseURL: test.info().project.use.baseURL });
    await openCopy(page, "Week 1: what a bog is");
    const all = await items(page).count();
    await page.getByRole("button", { name: "What to do with this collection" }).click();
    await page.getByRole("menuitem", { name: "Open everything" }).click();
    await expect(page.getByRole("dialog")).toContainText(`Opened 1 of ${all}`);
    const next = page.waitForEvent("popup");
    await page.getByRole("dialog").getByRole("link").first().click();
    await next;
    await expect(page.getByRole("dialog")).toContainText(`Opened 2 of ${all}`);
  } finally {
    await browser.close();
  }
});

test("a video that is found is played, and shows what is known of it and the way to its place", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await page.keyboard.press("/");
  await page.keyboard.type("year at the east dam");
  await expect(page.getByRole("option", { name: /A year at the east dam/ }).first()).toHaveAttribute(
    "aria-selected",
    "true",
  );
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "A year at the east dam" })).toBeVisible();
  await expect(page.getByText("one camera, one dam, no words")).toBeVisible();
  await page.getByRole("button", { name: "Play here" }).click();
  await expect(page.locator("iframe[sandbox]")).toHaveAttribute("title", "A year at the east dam");
  await page
    .getByRole("region", { name: "About it" })
    .getByRole("link", { name: "Week 3: the water table", exact: true })
    .click();
  await expect(page.locator("[data-item]:focus")).toContainText("A year at the east dam");
});

test("from the palette to an item in its place: three gestures, as often as one likes", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  for (let times = 0; times < 2; times++) {
    await page.keyboard.press("/");
    await page.keyboard.type("year at the east dam");
    await expect(page.getByText("shows it where it stands")).toBeVisible();
    await page.keyboard.press("Shift+Enter");
    await expect(page.locator("[data-item]:focus")).toContainText("A year at the east dam");
    // The address leads to the collection alone; elsewhere in it, the same way leads back.
    await expect(page).toHaveURL(/\/bench\/[^?]+$/);
    await page.keyboard.press("End");
    await expect(page.locator("[data-item]:focus")).not.toContainText("A year at the east dam");
  }
});

test("Enter means all that was typed, also while only what has fewer letters has been found", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await page.route("**/api/actions/search.find", async (route) => {
    // What is asked last comes late.
    if (route.request().postData()?.includes("east dam"))
      await new Promise((done) => setTimeout(done, 1_500));
    await route.continue();
  });
  for (const [key, arrives] of [
    ["Enter", page.getByRole("heading", { level: 1, name: "A year at the east dam" })],
    ["Shift+Enter", page.locator("[data-item]:focus").filter({ hasText: "A year at the east dam" })],
  ] as const) {
    await page.keyboard.press("/");
    await page.keyboard.type("year");
    await expect(page.getByRole("option", { name: /one year later/ })).toBeVisible();
    await page.keyboard.type(" at the east dam");
    await page.keyboard.press(key);
    await expect(arrives).toBeVisible();
  }
});

test("the Tray is a page of its own, also where there is no collection, and each thing goes from there", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await page.goto("/account#teams");
  await page.getByLabel("New team").fill("Tray alone");
  await page.keyboard.press("Enter");
  await page.waitForURL(/people/);
  await paste(page, at("lantern-moss/visit/before-you-come"));
  await page.getByRole("button", { name: "Open the Tray" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Tray" })).toBeVisible();
  await page.getByRole("list", { name: "Tray" }).getByRole("button").first().focus();
  await page.keyboard.press("ArrowRight");
  await page.getByRole("combobox", { name: "Where to" }).fill("Walks");
  await expect(page.getByRole("option", { name: "Make “Walks” here" })).toBeVisible();
  await page.keyboard.press("Enter");
  await page.getByLabel("Why does it stand there?").fill("Read aloud at the gate.");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Go there" }).click();
  await expect(items(page)).toContainText("Read aloud at the gate.");
  await expect(items(page)).toBeFocused();
});

test("in a short window the heads scroll away, and what one is sent to is in sight", async ({ browser }) => {
  const page = await signIn(browser, "ama", { viewport: { width: 900, height: 400 } });
  await openCopy(page, "Week 3: the water table");
  const inSight = (what: Locator) =>
    what.evaluate((element) => {
      const { top, bottom } = element.getBoundingClientRect();
      return top >= 0 && bottom <= window.innerHeight;
    });
  await items(page).first().focus();
  for (let step = 0; step < 4; step++) await page.keyboard.press("ArrowDown");
  // All below the bar is the list's, of 400 pixels more than 300.
  const seen = () =>
    page
      .locator("[data-making]")
      .evaluate((list) => window.innerHeight - Math.max(52, list.getBoundingClientRect().top));
  await expect.poll(seen).toBeGreaterThan(300);
  await page.keyboard.press("f");
  await expect.poll(() => inSight(page.getByRole("textbox", { name: "Narrow this collection" }))).toBe(true);
  await page.keyboard.press("Escape");
  await page.keyboard.press("End");
  await expect.poll(() => inSight(page.locator("[data-item]:focus"))).toBe(true);
});
