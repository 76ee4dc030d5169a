import { at, expect, items, makeCollection, paste, readFileSync, signIn, test, share } from "./hands";

test("from a pasted link to a page a reader opens, and out and in again as a file", async ({ browser }) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Working name");

  // Renamed and described where it stands; saved as typed.
  await page.getByLabel("Title of the collection").fill("Fire on the moor");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /Write what the collection is for/ }).click();
  await page
    .getByRole("textbox", { name: "What the collection is for" })
    .fill("One lesson, in a dry spring.");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("heading", { level: 1, name: "Fire on the moor" })).toBeAttached();

  // There at once with its host, then filled in by itself.
  await paste(page, at("bog-journal/2021/peat-fire-depth#section"));
  await expect(items(page).filter({ hasText: "bog-journal" })).toBeVisible();
  await paste(page, at("lantern-moss/visit/before-you-come") + "?utm_campaign=spring");
  await expect(page.getByText(/You have this already: Before you come to the moss/)).toBeVisible();
  await paste(page, at("mosskey/sphagnum/fallax").replace("fallax", "unheard-of"));
  await expect(
    items(page)
      .filter({ hasText: "There is no such page" })
      .or(items(page).filter({ hasText: "no such page" })),
  ).toBeVisible();
  await paste(page, at("moor-sounds/feed.xml"));
  await expect(items(page).filter({ hasText: "neither a page nor a document" })).toBeVisible();
  await paste(page, at("standing-water/short"));
  await expect(items(page).filter({ hasText: "A year at the east dam" })).toContainText("12 min");
  await expect(items(page)).toHaveCount(4);

  // What cannot be an address says so, and nothing is added.
  await paste(page, "no-address");
  await expect(page.getByText(/This is not a web address/)).toBeVisible();
  await expect(items(page)).toHaveCount(4);

  // A context line, a heading and tags, by keys.
  const fire = items(page).filter({ hasText: "Depth of burn" });
  await fire.focus();
  await page.keyboard.press("c");
  await page.getByLabel("Context: why it stands here").fill("Read the second table only.");
  await page.keyboard.press("Escape");
  await page.keyboard.press("h");
  await page.getByLabel("Heading here").fill("How deep it burns");
  const tags = page.getByRole("combobox", { name: "Tags" });
  await tags.fill("dry spring");
  await tags.press("Enter");
  await tags.fill("tabl");
  await page.getByRole("option", { name: /water table/ }).click();
  await expect(page.getByRole("button", { name: "Take off water table" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await expect(items(page).filter({ hasText: "Read the second table only." })).toContainText(
    "How deep it burns",
  );

  // Order by keyboard, then by drag; both hold after a reload.
  await items(page).filter({ hasText: "How deep it burns" }).focus();
  await page.keyboard.press("Alt+ArrowDown");
  await expect(items(page).nth(1)).toContainText("How deep it burns");
  const moved = page.waitForResponse(/placements\.move/);
  const from = (await items(page).filter({ hasText: "A year at the east dam" }).boundingBox())!;
  const to = (await items(page).first().boundingBox())!;
  await page.mouse.move(from.x + 200, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 200, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 200, to.y + 4, { steps: 8 });
  await expect(page.getByText("lands here")).toBeVisible();
  await page.mouse.up();
  await moved;
  await expect(items(page).first()).toContainText("A year at the east dam");
  await page.reload();
  await expect(items(page).first()).toContainText("A year at the east dam");
  await expect(items(page).nth(2)).toContainText("How deep it burns");

  // Taken out, undone; taken out for good and back from the bin.
  await items(page).filter({ hasText: "neither a page" }).focus();
  await page.keyboard.press("Delete");
  await expect(items(page)).toHaveCount(3);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(items(page)).toHaveCount(4);
  await items(page).filter({ hasText: "neither a page" }).focus();
  await page.keyboard.press("Delete");
  await expect(items(page)).toHaveCount(3);
  const bench = page.url();
  await page.goto(page.url().replace(/bench.*/, ""));
  await page.waitForURL(/team/);
  await page.goto(`${page.url()}/bin`);
  await page
    .getByRole("listitem")
    .filter({ hasText: "Fire on the moor" })
    .first()
    .getByRole("button", { name: "Put back" })
    .click();
  await expect(page.locator("li").filter({ hasText: "Fire on the moor" })).toHaveCount(0);
  await page.goto(bench);
  await expect(items(page)).toHaveCount(4);

  // Shared by link, opened by somebody with no account.
  await page.getByRole("link", { name: "Publish" }).click();
  const link = await share(page);
  const visitor = await (await browser.newContext()).newPage();
  await visitor.goto(link);
  await expect(visitor.getByRole("heading", { name: "Fire on the moor" })).toBeVisible();
  await expect(visitor.getByText("Read the second table only.")).toBeVisible();
  await expect(visitor.getByRole("link", { name: "How deep it burns" })).toHaveAttribute(
    "href",
    /peat-fire-depth/,
  );
  await page.getByRole("radio", { name: "Team only" }).click();
  // Choosing alone does nothing.
  expect((await visitor.goto(link))!.status()).toBe(200);
  await page.getByRole("button", { name: "Stop sharing" }).click();
  await expect(page.getByText("Nobody outside the team can open it")).toBeVisible();
  await expect.poll(async () => (await visitor.goto(link))!.status()).toBe(404);

  // Out as files, and in again.
  await page.goto(bench);
  const save = async (name: string) => {
    await page.getByRole("button", { name: "What to do with this collection" }).click();
    await page.getByRole("menuitem", { name: "Save as a file …" }).click();
    await page.getByText("Text, links, outlines").click();
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name, exact: true }).click(),
    ]);
    await page.keyboard.press("Escape");
    return { name: download.suggestedFilename(), text: readFileSync((await download.path())!, "utf8") };
  };
  const markdown = await save("Markdown");
  expect(markdown.name).toBe("Fire on the moor.md");
  expect(markdown.text).toContain("Read the second table only.");
  const bookmarks = await save("Bookmark file");
  expect(bookmarks.text).toContain('TAGS="dry spring,water table"');
  const other = await signIn(browser, "jonas");
  await other.goto("/account");
  await other.getByRole("link", { name: /own$/ }).first().click();
  await other.getByRole("button", { name: /^(Bring in a file of links|Choose the file)$/ }).click();
  const choose = (text: string) =>
    other
      .getByRole("dialog")
      .locator("input[type=file]")
      .setInputFiles({ name: "b.html", mimeType: "text/html", buffer: Buffer.from(text) });
  await choose("no links in here");
  await expect(other.getByText(/no links in this/)).toBeVisible();
  await other.getByRole("button", { name: "Choose another file" }).click();
  await choose(bookmarks.text);
  await expect(other.getByText("4 new")).toBeVisible();
  await other.getByRole("button", { name: "Bring in 4" }).click();
  await other
    .getByRole("link", { name: /Fire on the moor/ })
    .first()
    .click();
  await expect(items(other)).toHaveCount(4);
  await expect(items(other).nth(2)).toContainText("Read the second table only.");
  await expect(items(other).nth(2)).toContainText("dry spring");
});

test("deleting a section or a whole collection can be undone", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await makeCollection(page, "Soon gone");
  await page.keyboard.press("n");
  await page.getByLabel("Name of the section").fill("For later");
  await page.keyboard.press("Enter");
  await paste(page, at("mosskey/sundew"));
  await page.getByRole("button", { name: "Place it here" }).click();
  await expect(items(page)).toHaveCount(1);
  await page.getByRole("button", { name: "What to do with the section For later" }).click();
  await page.getByRole("menuitem", { name: "Delete section" }).click();
  await expect(items(page)).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(items(page)).toHaveCount(1);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Delete the collection" }).click();
  await page.waitForURL(/team/);
  await page.getByRole("button", { name: "Undo" }).last().click();
  await page.waitForURL(/bench/);
  await expect(page.getByRole("heading", { level: 1, name: "Soon gone" })).toBeAttached();
});

test("what waits in the Tray goes over by key, by double click and by drag; E puts away and can be undone", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "From the Tray");
  const tray = page.getByRole("list", { name: "Tray" });
  const row = (text: string) => tray.getByRole("button", { name: new RegExp(text) });
  await row("Reading a peat core").click();
  await page.keyboard.press("ArrowRight");
  await expect(items(page)).toHaveCount(1);
  await expect(row("Reading a peat core")).toHaveCount(0);
  await row("Who works here").click();
  await page.keyboard.press("p");
  await expect(row("Who works here")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row("Who works here")).toBeVisible();
  const from = (await row("Fire that goes underground").boundingBox())!;
  const to = (await items(page).first().boundingBox())!;
  await page.mouse.move(from.x + 60, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 90, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + 200, to.y + 6, { steps: 8 });
  await expect(page.getByText("lands here")).toBeVisible();
  await page.mouse.up();
  await expect(items(page).first()).toContainText("Fire that goes underground");
  await expect(items(page)).toHaveCount(2);
});
