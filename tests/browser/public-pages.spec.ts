import { randomUUID } from "node:crypto";
import { axe } from "./axe";
import { at, expect, items, newcomer, test } from "./hands";

test("others' collection is shown in one's own as it stands there, and a copy is kept in its stead", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Oda Reed");
  const { collection } = await maker.act("collections.make", { team: maker.team, title: "Crane dances" });
  const first = randomUUID();
  const bring = (text: string, placement = randomUUID()) =>
    maker.act("capture.note", { team: maker.team, text, collection: collection.id, placement });
  await bring("Two cranes bow and leap", first);
  await maker.act("placements.edit", { placement: first, context: "Watch from the hide." });
  await maker.act("share.set", { collection: collection.id, audience: "public" });

  const { page, team, act } = await newcomer(browser, "Piet Lind");
  const mine = await act("collections.make", { team, title: "Our spring" });
  await act("share.set", { collection: mine.collection.id, audience: "link" });
  const { code } = await act<{ code: string }>("share.read", { collection: mine.collection.id });
  await page.goto(`/bench/${mine.collection.id}`);
  await page.getByRole("tab", { name: "Shelves" }).click();
  await expect(async () => {
    await page.getByRole("textbox", { name: "Find in what is public" }).fill("");
    await page.getByRole("textbox", { name: "Find in what is public" }).fill("cranes bow leap");
    await page.getByRole("button", { name: /^Crane dances/ }).click({ timeout: 3_000 });
  }).toPass();
  await page.getByRole("button", { name: "Show it here, live" }).click();
  await expect(items(page)).toHaveCount(1);
  await expect(items(page).first()).toContainText("Shown live: 1 item by Oda Reed");
  expect(await axe(page)).toEqual([]);

  const reader = await (await browser.newContext()).newPage();
  await expect(async () => {
    await reader.goto(`/c/${code}`);
    const theirs = reader.getByRole("group", { name: "Crane dances, by Oda Reed" });
    await expect(theirs).toContainText("Watch from the hide.", { timeout: 1_000 });
  }).toPass();
  expect(await axe(reader)).toEqual([]);
  await bring("A third one looks on");
  await expect(async () => {
    await reader.reload();
    await expect(reader.getByText("A third one looks on")).toBeVisible({ timeout: 1_000 });
  }).toPass();

  await page.reload();
  await items(page).first().click();
  await page.keyboard.press("Enter");
  const theirs = page.getByRole("region", { name: "Theirs" });
  await expect(theirs.getByRole("listitem")).toHaveCount(2);
  expect(await axe(page)).toEqual([]);
  await theirs.getByRole("button", { name: "Keep a copy instead" }).click();
  await expect(items(page)).toHaveCount(3);
  await expect(theirs).toBeHidden();
  // What was pressed is gone; one goes on from what came.
  await expect(items(page).last()).toBeFocused();
  await expect(page.getByText("Some of it from “Crane dances” of Oda Reed")).toBeVisible();
  await reader.context().close();
});

test("a person has a public page when they wish one; it says what they have a hand in, and is followed", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Silke Fenn");
  const make = async (title: string) => {
    const { collection } = await maker.act("collections.make", { team: maker.team, title });
    await maker.act("capture.note", { team: maker.team, text: "A word", collection: collection.id });
    await maker.act("share.set", { collection: collection.id, audience: "public" });
  };
  await make("Sedges of the margin");
  await make("Not for my page");
  const { page } = maker;
  const tick = (name: RegExp, on: boolean) =>
    expect(async () => {
      await page.getByRole("checkbox", { name }).setChecked(on, { timeout: 2_000 });
      await page.reload();
      await expect(page.getByRole("checkbox", { name })).toBeChecked({ checked: on, timeout: 2_000 });
    }).toPass();
  await page.goto("/account");
  await tick(/^I have a public page/, true);
  await tick(/^Not for my page/, false);
  await page.getByRole("textbox", { name: "What it says of you" }).fill("I look at sedges.");
  await page.keyboard.press("Tab");
  expect(await axe(page)).toEqual([]);
  const address = (await page.getByRole("link", { name: /\/public\/person\// }).getAttribute("href"))!;

  const { page: other } = await newcomer(browser, "Piet Lind");
  await expect(async () => {
    await other.goto(address);
    await expect(other.getByText("I look at sedges.")).toBeVisible({ timeout: 1_000 });
    await expect(other.getByRole("link", { name: "Sedges of the margin" })).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await expect(other.getByText("Not for my page")).toHaveCount(0);
  expect(await axe(other)).toEqual([]);
  await other.getByRole("link", { name: "Follow, with an account here" }).click();
  await expect(other.getByRole("heading", { name: "Follow Silke Fenn" })).toBeVisible();
  expect(await axe(other)).toEqual([]);
  await other.getByRole("button", { name: "Follow", exact: true }).click();
  await expect(other.getByText("What a person has a hand in")).toBeVisible();
  await make("Sedges in autumn");
  await expect(async () => {
    await other.reload();
    await expect(other.getByRole("link", { name: "Sedges in autumn" })).toBeVisible({ timeout: 3_000 });
  }).toPass();
});

test("what came in a feed one follows and would fit the open collection stands beside it, and is taken", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Piet Lind");
  await act("follows.add", { team, kind: "feed", what: at("peat-notebook/feed.xml") });
  const { collection } = await act("collections.make", { team, title: "Readings of our wells" });
  for (const text of ["Well readings by hand, day by day", "How to keep readings of a well"])
    await act("capture.note", { team, text, collection: collection.id });
  const fits = page.getByRole("list", { name: "In feeds you follow, and would fit" });
  await expect(async () => {
    await page.goto(`/bench/${collection.id}`);
    await page.getByRole("tab", { name: "Shelves" }).click();
    await expect(fits.getByRole("listitem").first()).toContainText(/^Well readings of/, { timeout: 3_000 });
  }).toPass();
  await expect(fits.getByRole("listitem").first()).toContainText(/Peat Notebook · .*readings/);
  expect(await axe(page)).toEqual([]);
  await fits
    .getByRole("button", { name: /^Take: Well readings/ })
    .first()
    .click();
  await expect(items(page)).toHaveCount(3);
});
