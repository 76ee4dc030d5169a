import { axe } from "./axe";
import { at, expect, items, makeCollection, newcomer, paste, readFileSync, signIn, test } from "./hands";

test("a list of 100 links is pasted and taken as proposed: two gestures; sections, titles and what is here already are seen", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Pasted at once");
  const links = Array.from({ length: 98 }, (_, i) => `Page ${i} – http://list.localhost:1/${i}`);
  const text = [
    "Reading:",
    ...links.slice(0, 50),
    "",
    "Later:",
    ...links.slice(50),
    at("mosskey/sundew"),
    "htp://slip",
  ];
  await paste(page, text.join("\n"));
  await expect(page.getByText("98 new")).toBeVisible();
  await expect(page.getByText("1 here already")).toBeVisible();
  await expect(page.getByText("1 malformed, left out until mended")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Reading" })).toBeVisible();
  await expect(items(page).first()).toContainText("Page 0");
  await page.goto(
    (await page.getByRole("link", { name: "Hobbin, to the Desk" }).getAttribute("href"))! + "/imports",
  );
  await expect(page.getByText("98 new, 1 placed again").first()).toBeVisible();
  await page.getByRole("button", { name: "Take it back" }).first().click();
  await expect(page.getByText(/^Taken back/).first()).toBeVisible();
});

test("a slip is mended in the preview, a line left out, a note kept, rich text read", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await makeCollection(page, "Mended");
  await paste(page, "One https://list.localhost/one\nTwo https://list.localhost/two\nhttp://list");
  await page.getByLabel("Bring in One").uncheck();
  await page.getByRole("button", { name: "Change http://list" }).click();
  await page.getByLabel("Web address").fill("http://list.localhost/three");
  await page.getByLabel("Web address").press("Enter");
  await expect(page.getByText("malformed")).toBeHidden();
  await page.getByRole("button", { name: "Bring in 2" }).click();
  await expect(items(page)).toHaveCount(2);
  await paste(page, "Ask Bett for the dipwell keys.");
  await expect(items(page)).toHaveCount(3);
  await expect(items(page).last()).toContainText("Ask Bett for the dipwell keys.");
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData("text/plain", "Two films to see");
    data.setData(
      "text/html",
      '<h2>Films</h2><p><a href="https://list.localhost/f1">First film</a> <a href="https://list.localhost/f2">Second</a></p>',
    );
    document.body.dispatchEvent(
      new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await page.getByRole("button", { name: "Bring in 2" }).click();
  await expect(items(page)).toHaveCount(5);
  await expect(items(page).filter({ hasText: "First film" })).toHaveCount(1);
});

test("a table: its columns are guessed and can be changed, its tags separated otherwise", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await page.getByRole("button", { name: "Bring in a file of links" }).click();
  const csv =
    "What;Where;Words\nFirst;https://table.localhost/1;bog moss\nSecond;https://table.localhost/2;moss water\n";
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "list.csv", mimeType: "text/csv", buffer: Buffer.from(csv) });
  await expect(page.getByText("2 new")).toBeVisible();
  await page.getByLabel("What", { exact: true }).selectOption("title");
  await page.getByLabel("Words", { exact: true }).selectOption("tags");
  await expect(page.getByText("#bog moss")).toBeVisible();
  await page.getByLabel("What separates the tags").selectOption("space");
  await expect(page.getByText("#bog #moss")).toBeVisible();
  await page.getByRole("button", { name: "Bring in 2" }).click();
  await page.getByRole("link", { name: /list/ }).first().click();
  await expect(items(page)).toHaveCount(2);
  await expect(items(page).first().getByText("moss", { exact: true })).toBeVisible();
});

test("what stays out of a file is looked at with its reason, and saved to be mended; what stands in two folders is one", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await page.getByRole("button", { name: "Bring in a file of links" }).click();
  const bib = `@book{a, title = {Peat}, year = 2001, url = {https://list.localhost/peat}}
@misc{b, note = {a work with no name}}
@misc{c, title = {Peat again}, url = {https://list.localhost/peat}}
@book{never, title = {ends`;
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "works.bib", mimeType: "text/x-bibtex", buffer: Buffer.from(bib) });
  await expect(page.getByText("1 new")).toBeVisible();
  await expect(page.getByText("1 stands there once more")).toBeVisible();
  await page.getByText("2 passed over: look at them").click();
  await expect(page.getByRole("list", { name: "What was passed over" }).getByRole("listitem")).toHaveText([
    /^Nothing that names it@misc\{b,/,
    /^Cannot be read as an entry@book\{never,/,
  ]);
  expect(await axe(page, { part: '[role="dialog"]' })).toEqual([]);
  if (process.env.SHOT) await page.screenshot({ path: `${process.env.SHOT}/passed.png` });
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save them as a file" }).click();
  expect((await download).suggestedFilename()).toBe("works, passed over.bib");
  expect(readFileSync(await (await download).path(), "utf8")).toContain("note = {a work with no name}");
});

test("a list another program has to read first goes by the server, and one nobody reads says so", async ({
  browser,
}) => {
  const { page, team } = await newcomer(browser, "Fern Quill");
  await page.goto(`/team/${team}/imports`);
  const bring = async (name: string) => {
    await page.getByRole("button", { name: "Bring in a file of links" }).click();
    await page.locator("input[type=file]").setInputFiles(`tests/reference/files/lists/${name}`);
  };
  await bring("sources.xml");
  await expect(page.getByRole("alert").filter({ hasText: "sources of a word processor" })).toBeVisible();
  await page.keyboard.press("Escape");
  await bring("endnote.enw");
  await expect(page.getByText("3 new")).toBeVisible();
  await expect(page.getByLabel("Bring in The moor map")).toBeChecked();
  await page.getByRole("button", { name: "Bring in 3" }).click();
  await expect(page.getByText("3 new", { exact: true })).toBeVisible();
  await expect(page.getByText(/^Done/)).toBeVisible();
});

test("a document among lists is kept and read as one: what it leads to is offered, what nobody can read says so", async ({
  browser,
}) => {
  const { page, team } = await newcomer(browser, "Sedge Marlow");
  const files = "tests/reference/files";
  await page.goto(`/team/${team}/imports`);
  const bring = async (name: string) => {
    await page.getByRole("button", { name: "Bring in a file of links" }).click();
    await page.locator("input[type=file]").setInputFiles(`${files}/${name}`);
  };
  await bring("documents/scan.pdf");
  await expect(page.getByRole("dialog")).toBeHidden();
  await bring("documents/with-links.pdf");
  await expect(page.getByRole("dialog")).toBeHidden();
  await expect(page.getByRole("region", { name: "Files on their way" }).getByText("Arrived")).toHaveCount(2);
  await bring("with-links.xlsx");
  await expect(page.getByRole("heading", { name: "2 links in with-links.xlsx" })).toBeVisible();
  await expect(page.getByLabel("Bring in The map")).toBeChecked();
  await page.keyboard.press("Escape");
  await page.goto(`/team/${team}/tray`);
  await expect(
    page.getByText(/^Pages of pictures: nothing to read or to search\. Run text recognition/),
  ).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByText("The odt")).toBeVisible({ timeout: 30_000 });
  const { entries } = (await (await page.request.get(`/api/actions/tray.read?team=${team}`)).json()) as {
    entries: { resource: { id: string; title: string } }[];
  };
  const idOf = (title: string) => entries.find((one) => one.resource.title === title)!.resource.id;
  await page.goto(`/read/${idOf("scan")}`);
  await expect(page.getByText(/Its pages are pictures of text/)).toBeVisible();
  expect(await axe(page, { without: "iframe" })).toEqual([]);
  if (process.env.SHOT) await page.screenshot({ path: `${process.env.SHOT}/scan.png` });
  await page.goto(`/read/${idOf("The odt")}`);
  const links = page.getByRole("region", { name: "Links in this document" });
  await expect(links.getByRole("checkbox", { name: "https://bog.example/map?a=1&b=2" })).toBeVisible();
  if (process.env.SHOT) {
    await links.scrollIntoViewIfNeeded();
    await page.screenshot({ path: `${process.env.SHOT}/links.png` });
  }
});
