import { randomUUID } from "node:crypto";
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { unzipSync } from "fflate";
import { germanTemplate } from "../outside/sources/german-template";
import { axe } from "./axe";
import { expect, items, openCollection, openCopy, share, signIn, test } from "./hands";

test("a collection leaves as documents with a bibliography; one thing is cited in another style", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea", { permissions: ["clipboard-read", "clipboard-write"] });
  await openCopy(page, "Week 3: the water table");
  const id = /bench\/([\w-]+)/.exec(page.url())![1]!;

  // Cited: the menu, "Cite", and the key that copies.
  await items(page)
    .first()
    .getByRole("button", { name: /^What to do with/ })
    .click();
  await page.getByRole("menuitem", { name: "Cite …" }).click();
  const dialog = page.getByRole("dialog", { name: /^Cite “A year at the east dam”/ });
  await expect(dialog.getByRole("group", { name: "References" })).toContainText(
    "Standing Water. (2026, January 4).",
  );
  await expect(dialog.getByRole("button", { name: "Copy", exact: true })).toBeFocused();
  expect(await axe(page)).toEqual([]);
  await dialog.getByLabel("Style").selectOption({ label: "IEEE" });
  await expect(dialog.getByRole("group", { name: "References" })).toContainText("[1] Standing Water");
  await dialog.getByLabel("What is meant").selectOption({ label: "Time" });
  await dialog.getByLabel("Which").fill("2:05");
  await expect(dialog.getByRole("group", { name: "In the text" })).toHaveText("[1, 2:05]");
  await dialog.getByRole("button", { name: "Copy", exact: true }).click();
  await expect(dialog).toBeHidden();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^\[1\] Standing Water, A year/);

  // Some of them only, from the bar of what is chosen.
  await items(page).nth(0).click();
  await items(page)
    .nth(1)
    .click({ modifiers: ["Shift"] });
  await page
    .getByRole("toolbar", { name: /chosen items/ })
    .getByRole("button", { name: "More" })
    .click();
  await page.getByRole("menuitem", { name: "Save these as a file …" }).click();
  const some = page.getByRole("dialog", { name: "Save 2 items as a file" });
  expect(await axe(page)).toEqual([]);
  const [two] = await Promise.all([
    page.waitForEvent("download"),
    some.getByRole("button", { name: /^Table/ }).click(),
  ]);
  expect(two.suggestedFilename()).toBe("Week 3 the water table (copy).csv");
  expect(
    readFileSync((await two.path())!, "utf8")
      .trim()
      .split("\r\n"),
  ).toHaveLength(3);
  await page.keyboard.press("Escape");

  // Saved: every format is a file of its kind.
  await page.goto(`/publish/${id}`);
  await page.getByLabel("With a bibliography").selectOption({ label: "MLA, 9th edition" });
  const saved = async (name: string) => {
    const download = page.waitForEvent("download");
    await page.getByRole("region", { name: "Files" }).getByRole("link", { name, exact: true }).click();
    const file = await download;
    const chunks: Buffer[] = [];
    for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
    return { name: file.suggestedFilename(), bytes: Buffer.concat(chunks) };
  };
  const pdf = await saved("PDF");
  expect(pdf.name).toBe("Week 3 the water table (copy).pdf");
  expect(pdf.bytes.subarray(0, 5).toString()).toBe("%PDF-");
  for (const [name, ending] of [
    ["Word processor (DOCX)", "docx"],
    ["Book (EPUB)", "epub"],
    ["Workbook (XLSX)", "xlsx"],
  ] as const) {
    const file = await saved(name);
    expect(file.name).toBe(`Week 3 the water table (copy).${ending}`);
    // A ZIP (APPNOTE 4.3.7).
    expect(file.bytes.subarray(0, 4).toString("latin1")).toBe("PK\u0003\u0004");
  }
  await page.getByRole("button", { name: "Copy the bibliography" }).click();
  await expect(page.getByText(/^\d+ references are copied, with their look\.$/)).toBeVisible();
  expect(await axe(page, { part: 'section[aria-label="Files"]' })).toEqual([]);
});

test("a course on a stick is read and looked through with no net at all", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await openCollection(page, "Peatland course");
  const id = /bench\/([\w-]+)/.exec(page.url())![1]!;
  const packed = await page.request.get(`/api/export/${id}?format=folder&copies=all`);
  const stick = mkdtempSync(path.join(os.tmpdir(), "hobbin-stick-"));
  for (const [name, bytes] of Object.entries(unzipSync(await packed.body()))) {
    mkdirSync(path.dirname(path.join(stick, name)), { recursive: true });
    writeFileSync(path.join(stick, name), bytes);
  }
  const context = await browser.newContext({ offline: true });
  const reader = await context.newPage();
  const failed: string[] = [];
  reader.on("requestfailed", (request) => failed.push(request.url()));
  await reader.goto(pathToFileURL(path.join(stick, "Peatland course", "index.html")).href);
  await reader
    .getByRole("link", { name: /^Week 3: the water table/ })
    .first()
    .click();
  await expect(reader.getByRole("heading", { level: 1, name: "Week 3: the water table" })).toBeVisible();
  await reader.getByRole("link", { name: "Peatland course" }).first().click();
  await reader.getByRole("link", { name: "Look through everything" }).click();
  await reader.getByPlaceholder("Some letters").fill("field morning");
  const one = reader.getByRole("listitem").filter({ visible: true, hasText: "Field morning for Year 10" });
  await expect(one.first()).toBeVisible();
  expect(await axe(reader)).toEqual([]);
  await one.first().getByRole("link", { name: "Read the copy kept here" }).click();
  await expect(reader.getByText(/^A copy kept on /)).toBeVisible();
  await reader.getByRole("navigation", { name: "Part of" }).getByRole("link").click();
  await expect(reader.getByRole("heading", { level: 1, name: "Peatland course" })).toBeVisible();
  expect(failed).toEqual([]);
});

test("a bibliography has the style of its collection, is filled in where it is poor, and readers are given it", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCopy(page, "Week 3: the water table");
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Bibliography" }).click();
  const list = page.getByRole("region", { name: "References" });
  await expect(list).toContainText("Pencil, not pen. (n.d.).");
  await page.getByText(/\d+ of \d+ could say more/).click();
  const gap = page.getByRole("listitem").filter({ hasText: "Pencil, not pen" });
  await gap.getByLabel("Date").fill("in spring");
  await gap.getByLabel("Date").press("Enter");
  await expect(gap.getByRole("alert")).toBeVisible();
  await gap.getByLabel("Date").fill("2025");
  await gap.getByLabel("Date").press("Enter");
  await expect(list).toContainText("Pencil, not pen. (2025).");
  expect(await axe(page)).toEqual([]);
  // A style of the installation by some letters of its name, and one from a file, once it is right.
  await page.getByRole("button", { name: "More styles" }).click();
  await page.getByLabel("Look for a style").fill("brief mires");
  await page.getByRole("button", { name: "Mires in Brief" }).click();
  await expect(list).toContainText("– Pencil, not pen ¶");
  await expect(page.getByLabel("Style", { exact: true })).toHaveValue("mires-in-brief");
  await page.getByRole("button", { name: "More styles" }).click();
  const dialog = page.getByRole("dialog", { name: "Citation styles" });
  const file = (xml: string) => ({ name: "own.csl", mimeType: "text/xml", buffer: Buffer.from(xml) });
  const own = readFileSync("tests/integration/files/styles/notes-on-mires.csl", "utf8").replace("¶", "§");
  await dialog.getByLabel("Add a style from a file").setInputFiles(file(own.replace("<layout", "<lay")));
  await expect(dialog.getByRole("alert")).toContainText(/Line \d+: /);
  expect(await axe(page)).toEqual([]);
  await dialog.getByLabel("Add a style from a file").setInputFiles(file(own));
  await expect(list).toContainText("– Pencil, not pen §");
  await page.getByLabel("Style", { exact: true }).selectOption({ label: "IEEE" });
  await expect(list).toContainText("[1]");
  await page.getByLabel("Headings").selectOption({ label: "The sections" });
  await page.getByLabel("With context lines").check();
  await expect(list.getByRole("heading").first()).toBeVisible();
  await page.getByLabel("Readers are given it").check();
  // What is chosen stays with the collection.
  await page.reload();
  await expect(page.getByLabel("Style", { exact: true })).toHaveValue("ieee");
  await page.getByRole("link", { name: /^Week 3: the water table/ }).click();
  await page.getByRole("link", { name: "Publish", exact: true }).click();
  const reader = await (await browser.newContext()).newPage();
  await reader.goto(await share(page));
  await reader.getByRole("link", { name: "References" }).click();
  await expect(reader.getByText("IEEE", { exact: true })).toBeVisible();
  await expect(reader.getByText(/Pencil, not pen/)).toBeVisible();
  expect(await axe(reader)).toEqual([]);
});

test("a file of many items is made in the background, in the template of the team, and fetched when it is ready", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  const { teams } = (await (await page.request.get("/api/actions/teams.read")).json()) as {
    teams: { id: string; own: boolean }[];
  };
  // The template is that of the team of one, where nobody else makes anything.
  const own = teams.find((one) => one.own)!.id;
  const post = async <T>(name: string, data: object): Promise<T> => {
    const answer = await page.request.post(`/api/actions/${name}`, {
      ...{ data, headers: { origin: new URL(page.url()).origin } },
    });
    expect(answer.status(), await answer.text()).toBe(200);
    return (await answer.json()) as T;
  };
  await page.goto(`/team/${own}/people`);
  const template = page.getByRole("region", { name: "Documents" });
  const file = (name: string, buffer: Buffer) => ({ name, mimeType: "application/octet-stream", buffer });
  await page
    .getByLabel("Template for documents")
    .setInputFiles(file("letter.docx", Buffer.from("no document")));
  await expect(template.getByRole("alert")).toContainText("no document of a word processor");
  await page
    .getByLabel("Template for documents")
    .setInputFiles(file("letter.dotx", Buffer.from(germanTemplate())));
  await expect(template).toContainText("are put into letter.dotx");
  expect(await axe(page)).toEqual([]);
  const { collection } = await post<{ collection: { id: string } }>("collections.make", {
    ...{ team: own, title: "Many readings" },
  });
  const { item } = await post<{ item: { id: string } }>("capture.work", {
    ...{ team: own, type: "book", title: "The peat and the water", collection: collection.id },
  });
  const placements = [item.id];
  while (placements.length < 512) {
    const ids = placements.map(() => randomUUID());
    await post("placements.copy-many", { placements, collection: collection.id, ids });
    placements.push(...ids);
  }
  await page.goto(`/publish/${collection.id}`);
  await page.getByRole("button", { name: /^Word processor/ }).click();
  const orders = page.getByRole("region", { name: "Files being made" });
  const ready = orders.getByRole("link", { name: "Many readings.docx" });
  await expect(ready).toBeVisible({ timeout: 30_000 });
  expect(await axe(page, { part: '[aria-label="Files being made"]' })).toEqual([]);
  const download = page.waitForEvent("download");
  await ready.click();
  const parts = unzipSync(readFileSync((await (await download).path())!));
  expect(Buffer.from(parts["word/header1.xml"]!).toString()).toContain("Moor-Schule");
  expect(Buffer.from(parts["word/document.xml"]!).toString().split("The peat and the water").length).toBe(
    513,
  );
  await page.goto(`/team/${own}/people`);
  await template.getByRole("button", { name: "Without a template" }).click();
  await expect(template).toContainText("have the look of Hobbin");
});
