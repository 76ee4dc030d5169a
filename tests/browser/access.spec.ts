import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect, items, openCollection, paste, signIn, test } from "./hands";

const clean = async (page: Page, what: string) => {
  const { violations } = await new AxeBuilder({ page })
    .options({
      runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"],
      // What passes needs no description; on a long page that is most of the work.
      resultTypes: ["violations"],
    })
    .analyze();
  expect(
    violations.map((v) => `${what}: ${v.id} ${v.nodes.map((n) => n.target.join(" ")).join(", ")}`),
  ).toEqual([]);
};

for (const [name, options] of [
  ["light", {}],
  ["dark", { colorScheme: "dark" as const }],
  // As high as is left of a phone between the bars of its browser: menus are higher and scroll.
  ["phone", { viewport: { width: 390, height: 664 } }],
] as const) {
  test(`axe finds no violation of level A or AA outside and around the Bench, ${name}`, async ({
    browser,
  }) => {
    const stranger = await (await browser.newContext(options)).newPage();
    for (const path of ["/sign-in", "/sign-up", "/forgotten", "/new-password", "/no-such-page"]) {
      await stranger.goto(path);
      await clean(stranger, path);
    }
    const page = await signIn(browser, "ama", options);
    await page.waitForURL(/team/);
    const desk = page.url();
    await clean(page, "Desk");
    const team = desk.split("/").at(-1);
    const { tags } = (await (await page.request.get(`/api/actions/tags.read?team=${team}`)).json()) as {
      tags: { id: string }[];
    };
    for (const path of [
      `${desk}/people`,
      `${desk}/bin`,
      `${desk}/imports`,
      `${desk}/mail`,
      `${desk}/rules`,
      `${desk}/twins`,
      `${desk}/catalogue?q=water`,
      `${desk}/collections`,
      `${desk}/tags`,
      `${desk}/tags/${tags[0]!.id}`,
      "/bring",
      "/account",
    ]) {
      await page.goto(path);
      await clean(page, path);
      // Nothing runs over the edge, however narrow the window.
      const over = () =>
        page.locator("main").evaluate((main) => Math.max(0, main.scrollWidth - main.clientWidth));
      await expect.poll(over, path).toBe(0);
    }
  });

  test(`axe finds no violation of level A or AA on the Bench, ${name}`, async ({ browser }) => {
    const page = await signIn(browser, "ama", options);
    await openCollection(page, "Moss key for beginners");
    await clean(page, "Bench");
    await items(page).first().focus();
    await page.keyboard.press("Enter");
    await expect(page.getByLabel("Heading here")).toBeVisible();
    await expect(page.getByLabel("Kind of work, for citing")).toBeVisible();
    await clean(page, "Bench with an item opened");
    const room = await page.getByRole("link", { name: "Read it here" }).getAttribute("href");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "What to do with this collection" }).click();
    await expect(page.getByRole("menuitem").last()).toBeVisible();
    await clean(page, "menu");
    await page.keyboard.press("Escape");
    if (name !== "phone") {
      await page.getByRole("tab", { name: "Catalogue" }).click();
      await clean(page, "catalogue");
    }
    for (const [key, view] of [
      ["2", "Cards"],
      ["3", "Board"],
      ["4", "Table"],
      ["5", "Steps"],
      ["1", "Rows"],
    ] as const) {
      await page.keyboard.press(key);
      await expect(page.getByRole("radio", { name: view, exact: true })).toBeChecked();
      await expect(items(page).first()).toBeVisible();
      await clean(page, view);
    }
    await items(page).first().click();
    await items(page)
      .nth(1)
      .click({ modifiers: ["Shift"] });
    await expect(page.getByRole("toolbar", { name: /chosen items/ })).toBeVisible();
    await clean(page, "several chosen");
    await page.goto(page.url().replace("bench", "publish"));
    await clean(page, "Publish");
    await page.goto(room!);
    await clean(page, "Reading room");
    const widths = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
    expect(widths[0]).toBeLessThanOrEqual(widths[1]!);
  });

  test(`axe finds no violation of level A or AA while bringing in, ${name}`, async ({ browser }) => {
    const page = await signIn(browser, "ama", options);
    await openCollection(page, "Moss key for beginners");
    await page.keyboard.press("b");
    for (const tab of ["Address", "Files", "A list", "By hand"]) {
      await page.getByRole("tab", { name: tab }).click();
      await clean(page, `Bring in: ${tab}`);
    }
    await page.keyboard.press("Escape");
    await paste(page, "Reading:\nOne – https://list.localhost/1\nhtp://two\nhttps://list.localhost/3");
    await expect(page.getByText("2 new")).toBeVisible();
    await clean(page, "a list before it is brought in");
  });
}

test("by keyboard alone: palette, keys, bring in, choose, open, fold", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
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
  await page.getByRole("button", { name: "Moss key for beginners", exact: true }).click();
  await page.keyboard.type("sounds");
  await expect(page.getByRole("option", { name: "Sounds for the walk", exact: true })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "Sounds for the walk" })).toBeAttached();
});
