import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { axe } from "./axe";
import { at, expect, items, newcomer, test } from "./hands";

test("what one team makes public is found by another one, by the words of its items, and read", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Oda Reed");
  const { collection } = await maker.act("collections.make", {
    team: maker.team,
    title: "Reed and what hums in it",
  });
  await maker.act("capture.note", {
    ...{ team: maker.team, text: "The reed warbler sings at night", collection: collection.id },
  });
  const { page, team } = await newcomer(browser, "Piet Lind");
  await page.goto(`/team/${team}`);
  await page.getByRole("button", { name: "Gather" }).click();
  await page.getByRole("menuitem", { name: "Shelves" }).click();
  await expect(page.getByRole("heading", { name: "Shelves" })).toBeVisible();
  const field = page.getByRole("searchbox", { name: "Find in what is public" });
  await field.fill("warbler hums");
  await expect(page.getByText("In nothing that is public do all of these words stand.")).toBeVisible();

  await maker.act("share.set", { collection: collection.id, audience: "public" });
  await expect(async () => {
    await page.reload();
    await field.fill("warbler hums");
    await expect(page.getByRole("heading", { name: "Reed and what hums in it" })).toBeVisible({
      timeout: 3_000,
    });
  }).toPass();
  const found = page.getByRole("region", { name: "Found" });
  await expect(found).toContainText("The reed warbler sings at night");
  await expect(found.locator("mark")).toHaveText(["hums", "warbler"]);
  expect(await axe(page)).toEqual([]);
  await page.reload();
  const newly = page.getByRole("region", { name: "Newly public" }).getByRole("listitem");
  await expect(newly.filter({ hasText: "Reed and what hums in it" })).toContainText("Oda Reed");
  await field.fill("warbelr");
  await page.getByRole("button", { name: "Did you mean “warbler”?" }).click();
  await expect(field).toBeFocused();
  await found.getByRole("link", { name: "Reed and what hums in it" }).click();
  await expect(page).toHaveURL(/\/c\//);
  await expect(page.getByRole("heading", { name: "Reed and what hums in it" })).toBeVisible();

  // What is public no more is gone for whoever looks next.
  await maker.act("share.set", { collection: collection.id, audience: "team" });
  await page.goBack();
  await field.fill("warbler");
  await expect(page.getByText("In nothing that is public do all of these words stand.")).toBeVisible();
});

test("a public collection is copied with credit, and what changes there is taken or left, own words kept", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Oda Reed");
  const { collection } = await maker.act("collections.make", {
    team: maker.team,
    title: "Birds of the reed",
  });
  const bring = async (text: string, placement: string) =>
    maker.act("capture.note", { team: maker.team, text, collection: collection.id, placement });
  const [first, second] = [randomUUID(), randomUUID()];
  await bring("The bittern booms", first);
  const write = (context: string) => maker.act("placements.edit", { placement: first, context });
  await write("Listen before you read.");
  await maker.act("share.set", { collection: collection.id, audience: "public" });
  const { page, team } = await newcomer(browser, "Piet Lind");
  await expect(async () => {
    await page.goto(`/team/${team}/shelves`);
    await page.getByRole("searchbox", { name: "Find in what is public" }).fill("bittern booms");
    await expect(page.getByRole("button", { name: /^Copy Birds of the reed with credit/ })).toBeVisible({
      timeout: 3_000,
    });
  }).toPass();
  await page.getByRole("button", { name: /^Copy Birds of the reed with credit/ }).click();
  await expect(page.getByRole("link", { name: "Open your copy" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByText("From “Birds of the reed” of Oda Reed")).toBeVisible();
  await expect(items(page)).toHaveCount(1);
  await expect(items(page).first()).toContainText("Listen before you read.");
  expect(await axe(page)).toEqual([]);

  await write("Listen at dusk before you read.");
  await bring("The reed bunting counts", second);
  await page.reload();
  await page.getByRole("button", { name: "2 changes there" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("checkbox")).toHaveCount(2);
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole("checkbox").last().uncheck();
  await dialog.getByRole("button", { name: "Take 1 change" }).click();
  await expect(items(page).first()).toContainText("Listen at dusk before you read.");
  await page.getByRole("button", { name: "1 change there" }).click();
  await dialog.getByRole("button", { name: "Leave 1 change" }).click();
  await expect(page.getByRole("button", { name: /change there/ })).toHaveCount(0);
  await expect(items(page)).toHaveCount(1);

  // What was left can be taken alone, from the sources.
  await page.getByRole("tab", { name: "Shelves" }).click();
  await page.getByRole("textbox", { name: "Find in what is public" }).fill("bittern booms");
  await page.getByRole("button", { name: /^Birds of the reed/ }).click();
  const list = page.getByRole("list", { name: "Items of Birds of the reed" });
  expect(await axe(page)).toEqual([]);
  await list.getByRole("button", { name: /The reed bunting counts/ }).click();
  await page.keyboard.press("ArrowRight");
  await expect(items(page)).toHaveCount(2);
  await expect(page.getByText("Some of it from “Birds of the reed” of Oda Reed")).toBeVisible();
});

test("what is near to a collection is pointed out with why, what it has besides is taken, and shelves are chosen", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Oda Reed");
  const { collection } = await maker.act("collections.make", { team: maker.team, title: "Dipwells by hand" });
  const pages = [1, 2].map((n) => `https://dip-${randomUUID()}.example/${n}`);
  const contexts = ["Measure before you read.", "For the second week."];
  for (const [i, address] of pages.entries()) {
    const placement = randomUUID();
    await maker.act("capture.address", {
      ...{ team: maker.team, address, collection: collection.id, placement },
    });
    await maker.act("placements.edit", { placement, context: contexts[i] });
  }
  await maker.act("collections.use", { collection: collection.id, use: "lesson" });
  await maker.act("share.set", { collection: collection.id, audience: "public" });
  const { page, team, act } = await newcomer(browser, "Piet Lind");
  const own = (await act("collections.make", { team, title: "Our own week" })).collection.id;
  await act("capture.address", { team, address: pages[0], collection: own });
  const near = page.getByRole("list", { name: "Near to this collection" });
  await expect(async () => {
    await page.goto(`/bench/${own}`);
    await page.getByRole("tab", { name: "Shelves" }).click();
    await expect(near.getByRole("button", { name: /Dipwells by hand/ })).toContainText("1 of your 1 page", {
      timeout: 3_000,
    });
  }).toPass();
  expect(await axe(page)).toEqual([]);
  const besides = page.getByRole("list", { name: "What they have and this lacks" });
  await besides.getByRole("button", { name: /For the second week/ }).click();
  await page.keyboard.press("ArrowRight");
  await expect(items(page)).toHaveCount(2);
  await expect(items(page).last()).toContainText("For the second week.");
  await expect(page.getByText("Some of it from “Dipwells by hand” of Oda Reed")).toBeVisible();

  await items(page).first().focus();
  await page.keyboard.press("Enter");
  await page.getByText("Who else keeps this").click();
  await expect(page.getByText("It stands in 1 public collection of other teams.")).toBeVisible();
  await expect(page.getByText("Measure before you read.")).toBeVisible();

  const newly = page.getByRole("region", { name: "Newly public" }).getByRole("listitem");
  // What there is to choose from is looked at once a minute.
  await expect(async () => {
    await page.goto(`/team/${team}/shelves`);
    await page.getByRole("combobox", { name: "Used as" }).selectOption("Lessons", { timeout: 3_000 });
    await expect(page).toHaveURL(/use=lesson/, { timeout: 1_000 });
  }).toPass();
  await expect(newly.filter({ hasText: "Dipwells by hand" })).toBeVisible();
  await page.getByRole("link", { name: "Often taken up" }).click();
  await expect(page).toHaveURL(/by=often&use=lesson/);
  const often = page.getByRole("region", { name: "Often taken up" }).getByRole("listitem");
  // The order of it is looked at once a minute.
  await expect(async () => {
    await page.reload();
    await expect(often.filter({ hasText: "Dipwells by hand" })).toContainText("taken up by 1 team", {
      timeout: 3_000,
    });
  }).toPass();
  expect(await axe(page)).toEqual([]);

  await page.getByRole("button", { name: "Follow Dipwells by hand" }).first().click();
  await page.getByRole("menuitem", { name: "What comes into this collection" }).click();
  await maker.act("capture.note", {
    ...{ team: maker.team, text: "The third week measures twice", collection: collection.id },
  });
  await expect(async () => {
    await page.goto(`/team/${team}/followed`);
    await expect(page.getByRole("region", { name: "Dipwells by hand" })).toContainText(
      "The third week measures twice",
      { timeout: 3_000 },
    );
  }).toPass();
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "All looked at" }).click();
  await expect(page.getByText("Nothing new since you looked last.")).toBeVisible();
  await page.getByRole("button", { name: "Follow Dipwells by hand no more" }).click();
  await expect(page.getByText("You follow nothing yet")).toBeVisible();
});

test("a team has a page of what it made public, for whoever has no account, and the shelves are open to them", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Oda Reed");
  const { collection } = await maker.act("collections.make", { team: maker.team, title: "Where snipe drum" });
  await maker.act("capture.note", {
    ...{ team: maker.team, text: "Go at dusk to the flooded meadow", collection: collection.id },
  });
  await maker.act("share.set", { collection: collection.id, audience: "public" });
  const { page } = maker;
  await page.goto(`/team/${maker.team}/out`);
  await expect(async () => {
    await page.getByRole("checkbox", { name: /Everybody finds what this team/ }).check();
    await expect(page.getByRole("textbox", { name: "What it says of you" })).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await page.getByRole("textbox", { name: "What it says of you" }).fill("We listen to birds.");
  expect(await axe(page)).toEqual([]);
  const reader = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await expect(async () => {
    await reader.goto(`/public/${maker.team}`);
    await expect(reader.getByText("We listen to birds.")).toBeVisible({ timeout: 1_000 });
    await expect(reader.getByRole("link", { name: "Where snipe drum" })).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await reader.goto("/public");
  await reader.getByRole("searchbox", { name: /^Words of a collection/ }).fill("flooded meadow");
  await reader.getByRole("button", { name: "Find" }).click();
  await expect(reader.getByText("Go at dusk to the flooded meadow")).toBeVisible();
  await reader.getByRole("link", { name: "Where snipe drum" }).click();
  await expect(reader.getByRole("heading", { name: "Where snipe drum" })).toBeVisible();
  await reader.context().close();
});

test("a site elsewhere is followed by its front page, what came goes into the Tray, and its feed is saved in a list", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Piet Lind");
  await page.goto(`/team/${team}/followed`);
  await page.getByRole("button", { name: "Follow a site" }).click();
  const dialog = page.getByRole("dialog", { name: "Follow a site" });
  await dialog.getByLabel("Address of the site").fill(at("peat-notebook/none-such"));
  await dialog.getByRole("button", { name: "Look for feeds" }).click();
  await expect(dialog.getByText("The site answers that there is no such page.")).toBeVisible();
  await dialog.getByLabel("Address of the site").fill(at("peat-notebook/"));
  await page.keyboard.press("Enter");
  await expect(dialog.getByText(/^Latest: Well readings of/)).toBeVisible();
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("button", { name: "Follow Peat Notebook" }).click();
  await expect(dialog.getByRole("button", { name: "Follow Peat Notebook no more" })).toBeVisible();
  await page.keyboard.press("Escape");

  const came = page.getByRole("region", { name: "Peat Notebook" });
  await expect(async () => {
    await page.reload();
    await expect(came.getByRole("listitem")).toHaveCount(4, { timeout: 3_000 });
  }).toPass();
  await came
    .getByRole("button", { name: /^Into the Tray: Well readings/ })
    .first()
    .click();
  await expect(page.getByText(/^In your Tray: Well readings of/)).toBeVisible();
  const { entries } = await act<{ entries: unknown[] }>("tray.read", { team });
  expect(entries).toHaveLength(1);
  const wish = page.getByRole("checkbox", { name: "What comes goes into my Tray by itself" });
  await expect(async () => {
    await wish.check({ timeout: 3_000 });
    await page.reload();
    await expect(wish).toBeChecked({ timeout: 3_000 });
  }).toPass();
  expect(await axe(page)).toEqual([]);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save the feeds as a list (OPML)" }).click(),
  ]);
  expect(readFileSync(await file.path(), "utf8")).toContain(`xmlUrl="${at("peat-notebook/feed.xml")}"`);
});

test("a better context line is given back with one press, taken by its lender, and who gave it sees so", async ({
  browser,
}) => {
  const lender = await newcomer(browser, "Oda Reed");
  const { collection } = await lender.act("collections.make", {
    team: lender.team,
    title: "Ditches, and why",
  });
  const placement = randomUUID();
  await lender.act("capture.note", {
    ...{ team: lender.team, text: "They drain it", collection: collection.id, placement },
  });
  await lender.act("placements.edit", { placement, context: "Read it first." });
  await lender.act("share.set", { collection: collection.id, audience: "public" });
  const { page, team, act } = await newcomer(browser, "Piet Lind");
  const copy = randomUUID();
  await act("shelves.borrow", { collection: collection.id, team, copy });
  await page.goto(`/bench/${copy}`);
  await items(page).first().focus();
  await page.keyboard.press("Enter");
  const why = page.getByRole("textbox", { name: "Context: why it stands here" });
  await why.fill("Read it first, with the map beside it.");
  await why.blur();
  const given = page.getByText("They have it, and have not decided.");
  await expect(async () => {
    await page.getByRole("button", { name: "Give it back to Oda Reed" }).click({ timeout: 3_000 });
    await expect(given).toBeVisible({ timeout: 3_000 });
  }).toPass();
  expect(await axe(page)).toEqual([]);

  await lender.page.goto(`/team/${lender.team}`);
  await lender.page.getByRole("link", { name: /1 suggestion waits for/ }).click();
  await expect(lender.page.getByText("Another context line for They drain it")).toBeVisible();
  expect(await axe(lender.page)).toEqual([]);
  await lender.page.getByRole("button", { name: "Accept: They drain it" }).click();
  await expect(lender.page.getByText("Nothing waits")).toBeVisible();
  await lender.page.goto(`/bench/${collection.id}`);
  await expect(items(lender.page).first()).toContainText("Read it first, with the map beside it.");
  await page.reload();
  await items(page).first().focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("They took it.")).toBeVisible();
});
