import type { Locator, Page } from "@playwright/test";
import { expect, items, openCollection, openCopy, signIn, test } from "./hands";

/**
 * The keyboard of every composite part, by the ARIA Authoring Practices Guide (W3C), https://www.w3.org/WAI/ARIA/apg/:
 * each test names its pattern and goes through the pattern's table of keys.
 */
const press = async (page: Page, ...keys: string[]) => {
  for (const key of keys) await page.keyboard.press(key);
};
/** The one stop the Tab key makes in a composite: one of its parts, or itself until one of them had the focus. */
const stops = (composite: Locator, role: string) =>
  composite.locator(`xpath=self::*[@tabindex="0"] | descendant::*[@tabindex="0" and @role="${role}"]`);

test("tree view: one stop; right opens, then goes in; left closes, then goes out; Home, End, Enter", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await page.goto(`${page.url()}/collections`);
  const tree = page.getByRole("tree", { name: "Collections" });
  const node = tree.getByRole("treeitem");
  const parent = tree.locator('[role=treeitem][aria-expanded="true"]').first();
  await expect(stops(tree, "treeitem")).toHaveCount(1);
  const title = (await parent.getAttribute("aria-label"))!;
  const root = tree.getByRole("treeitem", { name: title, exact: true });
  const level = Number(await root.getAttribute("aria-level"));
  const all = await node.count();
  await root.focus();
  await press(page, "ArrowLeft");
  await expect(root).toHaveAttribute("aria-expanded", "false");
  await expect(root).toBeFocused();
  expect(await node.count()).toBeLessThan(all);
  // Right on a closed node opens it and stays; on an open one it goes to the first inside.
  await press(page, "ArrowRight");
  await expect(root).toHaveAttribute("aria-expanded", "true");
  await expect(root).toBeFocused();
  await press(page, "ArrowRight");
  const first = page.locator("[role=treeitem]:focus");
  await expect(first).toHaveAttribute("aria-level", String(level + 1));
  await expect(first).toHaveAttribute("aria-posinset", "1");
  await press(page, "ArrowLeft");
  if ((await first.getAttribute("aria-level")) !== String(level)) await press(page, "ArrowLeft");
  await expect(root).toBeFocused();
  await press(page, "End");
  await expect(node.last()).toBeFocused();
  await press(page, "ArrowDown");
  await expect(node.last()).toBeFocused();
  await press(page, "Home");
  await expect(node.first()).toBeFocused();
  await press(page, "ArrowDown", "ArrowUp");
  await expect(node.first()).toBeFocused();
  await expect(stops(tree, "treeitem")).toHaveCount(1);
  // A node without others inside has no aria-expanded at all.
  await expect(node.last()).not.toHaveAttribute("aria-expanded", /.*/);
  await press(page, "Enter");
  await page.waitForURL(/bench/);
});

test("data grid: rows and cells by arrows, Home and End, with Ctrl to the first and last cell; F2 edits, Escape restores", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Moss key for beginners");
  await press(page, "4");
  const grid = page.getByRole("grid");
  await expect(grid.getByRole("columnheader", { name: "Title" })).toBeVisible();
  await expect(stops(grid, "row")).toHaveCount(1);
  const row = items(page);
  await row.first().focus();
  await press(page, "End");
  await expect(row.last()).toBeFocused();
  await press(page, "Home");
  await expect(row.first()).toBeFocused();
  await press(page, "PageDown");
  await expect(row.first()).not.toBeFocused();
  await press(page, "PageUp");
  await expect(row.first()).toBeFocused();

  const cell = (of: Locator) => of.locator("[data-cell]");
  await press(page, "ArrowRight");
  await expect(cell(row.first()).first()).toBeFocused();
  await press(page, "ArrowRight");
  await expect(cell(row.first()).nth(1)).toBeFocused();
  await press(page, "ArrowDown");
  await expect(cell(row.nth(1)).nth(1)).toBeFocused();
  await press(page, "End");
  await expect(cell(row.nth(1)).last()).toBeFocused();
  await press(page, "ArrowRight");
  await expect(cell(row.nth(1)).last()).toBeFocused();
  await press(page, "Home");
  await expect(cell(row.nth(1)).first()).toBeFocused();
  await press(page, "Control+Home");
  await expect(cell(row.first()).first()).toBeFocused();
  await press(page, "Control+End");
  await expect(cell(row.last()).last()).toBeFocused();
  await press(page, "Control+Home");
  const before = (await cell(row.first()).first().textContent())!;
  await press(page, "F2");
  await expect(page.locator("[data-item] input:focus")).toHaveValue(before);
  await page.keyboard.type("something else");
  await press(page, "Escape");
  await expect(cell(row.first()).first()).toHaveText(before);
  await expect(cell(row.first()).first()).toBeFocused();
  await press(page, "ArrowLeft");
  await expect(row.first()).toBeFocused();

  // Chosen: Shift with an arrow widens, Ctrl A takes all, and it is said.
  await press(page, "Shift+ArrowDown");
  await expect(grid.locator('[role=row][aria-selected="true"]')).toHaveCount(2);
  await press(page, "Control+a");
  await expect(page.getByRole("toolbar", { name: /chosen items/ })).toContainText("chosen");
  await press(page, "Escape");
  await expect(grid.locator('[role=row][aria-selected="true"]')).toHaveCount(1);
  await press(page, "1");
});

test("sortable table: a head says how it is sorted; it goes up, down, and back to its own order", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Moss key for beginners");
  await press(page, "4");
  const head = page.getByRole("columnheader", { name: "Title" });
  const titles = () => items(page).evaluateAll((rows) => rows.map((row) => row.getAttribute("aria-label")));
  await expect(head).toHaveAttribute("aria-sort", "none");
  const own = await titles();
  await head.getByRole("button").press("Enter");
  await expect(head).toHaveAttribute("aria-sort", "ascending");
  await head.getByRole("button").press("Enter");
  await expect(head).toHaveAttribute("aria-sort", "descending");
  await head.getByRole("button").press("Enter");
  await expect(head).toHaveAttribute("aria-sort", "none");
  expect(await titles()).toEqual(own);
  await press(page, "1");
});

test("grid of things in the Catalogue: from the row into its cells and back, up and down in the same column", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await page.goto(`${page.url()}/catalogue?q=moss`);
  const grid = page.getByRole("grid");
  const row = grid.locator("[data-item]");
  await expect(row.nth(1)).toBeVisible();
  await expect(stops(grid, "row")).toHaveCount(1);
  await row.first().focus();
  await press(page, "ArrowRight", "ArrowRight");
  await expect(row.first().locator("[data-cell=tags]")).toBeFocused();
  await press(page, "ArrowDown");
  await expect(row.nth(1).locator("[data-cell=tags]")).toBeFocused();
  await press(page, "Home");
  await expect(row.nth(1).locator("[data-cell=title]")).toBeFocused();
  await press(page, "ArrowLeft");
  await expect(row.nth(1)).toBeFocused();
});

test("toolbar: one stop, left and right go round, Home and End", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Moss key for beginners");
  await items(page).first().focus();
  await press(page, "Shift+ArrowDown");
  const bar = page.getByRole("toolbar", { name: /chosen items/ });
  const button = bar.getByRole("button");
  await expect(bar.locator('xpath=descendant-or-self::*[@tabindex="0"]')).toHaveCount(1);
  await button.first().focus();
  await press(page, "ArrowRight");
  await expect(button.nth(1)).toBeFocused();
  await press(page, "ArrowLeft", "ArrowLeft");
  await expect(button.last()).toBeFocused();
  await press(page, "ArrowRight");
  await expect(button.first()).toBeFocused();
  await press(page, "End");
  await expect(button.last()).toBeFocused();
  await press(page, "Home");
  await expect(button.first()).toBeFocused();
  await expect(bar.locator('xpath=descendant::*[@tabindex="0"]')).toHaveCount(1);
});

test("combobox with a listbox: the focus stays in the field, the arrows go through the list, Enter takes, Escape leaves", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Moss key for beginners");
  const before = page.url();
  for (const open of ["Control+k", "g"]) {
    await press(page, open);
    const box = page.getByRole("combobox").and(page.locator(":focus"));
    await expect(box).toHaveCount(1);
    await expect(box).toHaveAttribute("aria-expanded", "true");
    const list = page.locator(`[id="${await box.getAttribute("aria-controls")}"]`);
    await expect(list).toHaveAttribute("role", "listbox");
    await page.keyboard.type("a");
    const active = async () => (await box.getAttribute("aria-activedescendant"))!;
    await expect.poll(active).toBeTruthy();
    await expect(page.locator(`[id="${await active()}"]`)).toHaveAttribute("aria-selected", "true");
    const first = await active();
    await press(page, "ArrowDown");
    await expect.poll(active).not.toBe(first);
    await expect(page.locator(`[id="${await active()}"]`)).toHaveAttribute("aria-selected", "true");
    await expect(list.locator('[role=option][aria-selected="true"]')).toHaveCount(1);
    await expect(box).toBeFocused();
    await press(page, "Escape");
    await expect(page.getByRole("listbox")).toHaveCount(0);
    expect(page.url()).toBe(before);
  }
});

test("dialog: the focus goes in, Tab stays in, Escape closes and gives it back; it has a name", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Moss key for beginners");
  const row = items(page).first();
  for (const key of ["k", "m", "b"]) {
    await row.focus();
    await press(page, key);
    const dialog = page.getByRole("dialog");
    await expect(dialog).toHaveAccessibleName(/\S/);
    const inside = () => dialog.evaluate((box) => box.contains(document.activeElement));
    await expect.poll(inside).toBe(true);
    const stopsInside = await dialog.locator("a[href], button, input, textarea, select").count();
    for (let i = 0; i <= stopsInside; i++) {
      await press(page, "Tab");
      expect(await inside()).toBe(true);
    }
    await press(page, "Shift+Tab");
    expect(await inside()).toBe(true);
    await press(page, "Escape");
    await expect(dialog).toHaveCount(0);
    await expect(row).toBeFocused();
  }
});

test("menu button and menu: Enter opens at the first, arrows go round, letters and End, Escape gives the focus back", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Moss key for beginners");
  const button = page.getByRole("button", { name: "What to do with this collection" });
  await button.focus();
  await expect(button).toHaveAttribute("aria-haspopup", "menu");
  await press(page, "Enter");
  const entry = page.getByRole("menu").getByRole("menuitem");
  await expect(button).toHaveAttribute("aria-expanded", "true");
  await expect(entry.first()).toBeFocused();
  await press(page, "End");
  await expect(entry.last()).toBeFocused();
  await press(page, "Home");
  await expect(entry.first()).toBeFocused();
  await press(page, "ArrowDown");
  await expect(entry.nth(1)).toBeFocused();
  const last = (await entry.last().textContent())!;
  await page.keyboard.type(last.slice(0, 4));
  await expect(page.locator("[role=menuitem]:focus")).toContainText(last.slice(0, 4));
  await press(page, "Escape");
  await expect(button).toBeFocused();
  await expect(page.getByRole("menu")).toHaveCount(0);
  await press(page, "ArrowDown");
  await expect(entry.first()).toBeFocused();
  await press(page, "Escape");
});

test("tabs and radio group: one stop each, the arrows change them, the panel has its tab's name", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  // A copy, because others at the same time choose how they see this one.
  await openCopy(page, "Moss key for beginners");
  const tabs = page.getByRole("tablist", { name: "Where things come from" });
  const tab = tabs.getByRole("tab");
  await expect(stops(tabs, "tab")).toHaveCount(1);
  await tab.first().focus();
  await press(page, "ArrowRight");
  await expect(tab.nth(1)).toBeFocused();
  await expect(tab.nth(1)).toHaveAttribute("aria-selected", "true");
  await expect(page.getByRole("tabpanel", { name: "Catalogue" })).toBeVisible();
  await press(page, "End");
  await expect(tab.last()).toHaveAttribute("aria-selected", "true");
  await press(page, "ArrowRight");
  await expect(tab.first()).toHaveAttribute("aria-selected", "true");

  const views = page.getByRole("radiogroup", { name: "View" }).or(page.getByRole("group", { name: "View" }));
  const view = views.getByRole("radio");
  await expect(stops(views, "radio")).toHaveCount(1);
  await view.first().focus();
  await press(page, "ArrowRight");
  await expect(view.nth(1)).toBeFocused();
  await press(page, "Enter");
  await expect(view.nth(1)).toBeChecked();
  await press(page, "ArrowLeft");
  await expect(view.first()).toBeFocused();
  await press(page, "Enter");
  await expect(view.first()).toBeChecked();
});
