import { branch, expect, makeBranches, openOwnTree, signIn, test } from "./hands";

test("the tree by keyboard: made, renamed, moved in and out, duplicated, put away, deleted and back; links hold", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await openOwnTree(page);
  const row = (title: string) => branch(page, title);
  const make = async (title: string) => {
    await page.getByLabel("Title").fill(title);
    await page.getByRole("button", { name: "Make it" }).click();
    await expect(row(title)).toBeFocused();
  };
  await page.getByRole("button", { name: "New collection" }).click();
  await make("Autumn course");
  await page.keyboard.press("n");
  await make("Unit A");
  await expect(row("Unit A")).toHaveAttribute("aria-level", "2");
  await row("Autumn course").focus();
  await page.keyboard.press("n");
  await make("Unit B");

  await page.keyboard.press("Alt+ArrowRight");
  await expect(row("Unit B")).toHaveAttribute("aria-level", "3");
  await page.keyboard.press("Alt+ArrowLeft");
  await expect(row("Unit B")).toHaveAttribute("aria-level", "2");
  await page.keyboard.press("Alt+ArrowUp");
  await expect(row("Unit B")).toHaveAttribute("aria-posinset", "1");
  await page.keyboard.press("F2");
  await page.getByLabel("Title of the collection").fill("Unit B, the wet one");
  await page.keyboard.press("Enter");
  await expect(row("Unit B, the wet one")).toBeFocused();

  // APG: left closes and goes to the parent, right opens up and goes inside.
  await page.keyboard.press("ArrowLeft");
  await expect(row("Autumn course")).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  await expect(row("Autumn course")).toHaveAttribute("aria-expanded", "false");
  await expect(row("Unit A")).toHaveCount(0);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(row("Unit B, the wet one")).toBeFocused();

  await page.keyboard.press("Enter");
  await page.waitForURL(/bench/);
  const address = page.url();
  await expect(page.getByRole("link", { name: "Autumn course" })).toBeVisible();
  await page.goBack();
  await row("Autumn course").focus();
  await page.keyboard.press("d");
  await expect(row("Autumn course \\(copy\\)")).toBeFocused();
  await page.keyboard.press("Delete");
  await expect(row("Autumn course \\(copy\\)")).toHaveCount(0);
  await row("Unit A").focus();
  await page.keyboard.press("p");
  await expect(row("Unit A")).toHaveCount(0);
  await page.getByRole("button", { name: /Show \d+ put away/ }).click();
  await expect(row("Unit A")).toContainText("put away");
  await row("Autumn course").focus();
  await page.keyboard.press("Delete");
  await expect(row("Autumn course")).toHaveCount(0);
  await page.keyboard.press("ControlOrMeta+z");
  await expect(row("Unit B, the wet one")).toBeVisible();
  await page.goto(address);
  await expect(page.getByRole("heading", { level: 1, name: "Unit B, the wet one" })).toBeAttached();
});

test("a collection is dragged into another one, and out behind it", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await openOwnTree(page);
  await makeBranches(page, "Drag me", "Drop here");
  const row = (title: string) => branch(page, title);
  const drag = async (title: string, onto: string, share: number) => {
    const from = (await row(title).boundingBox())!;
    const to = (await row(onto).boundingBox())!;
    await page.mouse.move(from.x + 200, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 210, from.y + 20, { steps: 3 });
    await page.mouse.move(to.x + 220, to.y + to.height * share, { steps: 8 });
    await page.mouse.up();
  };
  await drag("Drag me", "Drop here", 0.5);
  await expect(row("Drag me")).toHaveAttribute("aria-level", "2");
  await drag("Drag me", "Drop here", 0.1);
  await expect(row("Drag me")).toHaveAttribute("aria-level", "1");
});
