import { readFileSync } from "node:fs";
import type { Browser, Page } from "@playwright/test";
import { axe } from "./axe";
import { at, expect, newcomer, test } from "./hands";

const TEN = Array.from({ length: 10 }, (_, i) => `peat-notebook/many/${i + 1}`);

/** Somebody with a collection of ten, and a colleague in their team. */
async function twoWithTen(browser: Browser) {
  const one = await newcomer(browser, "Ulla Weighs");
  const other = await newcomer(browser, "Pekka Weighs");
  const invite = async () => {
    const wish = { team: one.team, role: "contributor" };
    return (await one.act<{ invitation: { code: string } }>("invitations.make", wish)).invitation.code;
  };
  await other.act("invitations.accept", { code: await invite() });
  const { collection } = await one.act("collections.make", { team: one.team, title: "Ten to judge" });
  for (const place of TEN)
    await one.act("capture.address", {
      team: one.team,
      address: at(place),
      collection: collection.id,
      section: null,
    });
  return { one: { ...one, invite }, other, team: one.team };
}

/** Answers what is asked by keys, a step a question, and goes on to the next thing. */
async function judge(page: Page, steps: string) {
  for (const step of steps) await page.keyboard.press(step);
  await page.keyboard.press("n");
}

test("two judge ten things blind, see how far they agree, and settle what differs", async ({ browser }) => {
  test.slow();
  const { one, other, team } = await twoWithTen(browser);
  const { page } = one;
  await page.goto(`/team/${team}`);
  await page.getByRole("button", { name: "Weigh up" }).click();
  await page.getByRole("menuitem", { name: "Appraisal" }).click();
  await expect(page.getByText("No criteria yet")).toBeVisible();
  await page.getByRole("button", { name: "Begin with these five" }).click();
  // A set goes out as a file, and comes from one.
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "As a file" }).click();
  await page.getByLabel("A file of criteria").setInputFiles(await (await saved).path());
  await expect(page.getByLabel("What the set is called")).toHaveValue("A source");
  await expect(page.getByLabel("Name of question 5")).toHaveValue("Purpose");
  await page.getByRole("button", { name: "Cancel" }).click();
  await page.getByRole("button", { name: "Start a round" }).click();
  await page.getByRole("button", { name: "Start the round" }).click();
  await expect(page.getByText("Choose what is to be judged.")).toBeVisible();
  await page.getByLabel("What is judged").selectOption({ label: "Ten to judge" });
  await expect(page.getByRole("checkbox", { name: /^Blind/ })).toBeChecked();
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "Start the round" }).click();
  await page.waitForURL(/\/appraisal\/./);

  await expect(page.getByText("1 of 10")).toBeVisible();
  expect(await axe(page)).toEqual([]);
  // A reason where one wishes, and out of its field to the keys again.
  await page.keyboard.press("3");
  await page.getByRole("button", { name: "Say why" }).click();
  await page.keyboard.type("It is of this year.");
  await page.keyboard.press("Escape");
  await judge(page, "3333");
  for (let i = 1; i < 10; i++) await judge(page, i < 3 ? "13333" : i % 2 ? "22222" : "33333");
  await expect(page.getByText("you have judged all of them")).toBeVisible();

  // It stands on their Desk, too.
  await other.page.goto(`/team/${team}`);
  await other.page.getByRole("link", { name: "Ten to judge: 10 things are left for you to judge" }).click();
  await expect(other.page.getByText("1 of 10")).toBeVisible();
  await other.page.getByRole("tab", { name: "Side by side" }).click();
  await expect(other.page.getByRole("row").nth(1)).toContainText("1 of 2 judged");
  await expect(other.page.getByText("Ulla Weighs:")).toHaveCount(0);
  await other.page.getByRole("tab", { name: "Judge" }).click();
  for (let i = 0; i < 10; i++)
    await judge(other.page, i === 1 ? "33333" : i === 2 ? "13331" : i % 2 ? "22222" : "33333");
  await expect(other.page.getByText("you have judged all of them")).toBeVisible();

  // It comes to who has it open by itself.
  await expect(page.getByText("20 of 20 judgements given")).toBeVisible();
  await page.getByRole("button", { name: "Open, and settle what differs" }).click();
  const rows = page.getByRole("row");
  await expect(rows.nth(1)).toContainText("in dispute");
  await expect(rows.nth(3)).toContainText("alike");
  expect(await axe(page)).toEqual([]);
  await page.getByRole("tab", { name: "Agreement" }).click();
  const currency = page.getByRole("row", { name: /^Currency/ });
  await expect(currency).toContainText("90 %");
  await expect(currency).toContainText(/\(.* to .*\)/);
  await expect(currency).toContainText("Agreement is");
  expect(await axe(page)).toEqual([]);

  await page.getByRole("tab", { name: "Side by side" }).click();
  await rows.nth(1).getByRole("rowheader").click();
  await expect(page.getByText("one question is to settle")).toBeVisible();
  // Somebody else is asked, and has it on their Desk; what they think stands with the others’.
  const third = await newcomer(browser, "Eero Weighs");
  await third.act("invitations.accept", { code: await one.invite() });
  await page.getByRole("button", { name: "Ask somebody else, too" }).click();
  await page.getByLabel("Who is asked, too").selectOption({ label: "Eero Weighs" });
  await expect(page.getByText("Eero Weighs is asked, too")).toBeVisible();
  await third.page.goto(`/team/${team}`);
  await third.page.getByRole("link", { name: "Ten to judge: 1 thing is left for you to judge" }).click();
  await expect(third.page.getByText("1 of 1")).toBeVisible();
  expect(await axe(third.page)).toEqual([]);
  for (const step of "23333") await third.page.keyboard.press(step);
  await expect(third.page.getByText("you have judged all of them")).toBeVisible();
  await expect(page.getByText("Eero Weighs: Partly", { exact: true })).toBeVisible();
  await page.getByLabel("Agreed: Currency").selectOption("Partly");
  await page.getByPlaceholder("Why, if you wish").first().fill("Older, and it still holds.");
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "We agree on this" }).click();
  // What is settled goes behind what is not.
  await expect(page.getByRole("row").filter({ hasText: "settled" })).toHaveCount(1);
  await other.page.getByRole("tab", { name: "Side by side" }).click();
  await other.page.getByRole("row").filter({ hasText: "settled" }).getByRole("rowheader").click();
  await expect(other.page.getByText("Older, and it still holds.")).toBeVisible();
  await expect(other.page.getByText("agreed by")).toContainText("Ulla Weighs");

  // The best first, ties as ties, and by other weights otherwise.
  await page.getByRole("tab", { name: "Ranking" }).click();
  const ranks = page.getByRole("tabpanel").getByRole("listitem");
  await expect(ranks).toHaveCount(10);
  await expect(ranks.first()).toContainText("1 alike");
  await expect(ranks.first()).toContainText("100 of 100");
  for (const name of ["Relevance", "Authority", "Accuracy", "Purpose"])
    await page.getByRole("slider", { name: new RegExp(`^${name}`) }).fill("0");
  await expect(ranks.last()).toContainText("0 of 100");
  expect(await axe(page)).toEqual([]);
});

test("judging on a phone: nothing runs over the edge, and a press does what a key does", async ({
  browser,
}) => {
  const phone = await newcomer(browser, "Aino Weighs", {
    viewport: { width: 360, height: 740 },
    hasTouch: true,
  });
  const { team, page, act } = phone;
  const { collection } = await act("collections.make", { team, title: "On the way" });
  const address = at("peat-notebook/many/1");
  await act("capture.address", { team, address, collection: collection.id, section: null });
  await page.goto(`/team/${team}/appraisal`);
  await page.getByRole("button", { name: "Begin with these five" }).click();
  await page.getByRole("button", { name: "Start a round" }).click();
  await page.getByLabel("What is judged").selectOption({ label: "On the way" });
  await page.getByRole("button", { name: "Start the round" }).click();
  // Nothing moves from under a finger when something is answered.
  const apart = () =>
    page.getByRole("group").evaluateAll((groups) => groups.map((one) => one.getBoundingClientRect().height));
  await expect(page.getByRole("group")).toHaveCount(5);
  await expect(page.getByText("It stands in “On the way”.")).toBeVisible();
  const before = await apart();
  for (const name of ["Currency", "Relevance", "Authority", "Accuracy", "Purpose"])
    await page.getByRole("group", { name }).locator("label", { hasText: "Partly" }).tap();
  await expect(page.getByText("you have judged all of them")).toBeVisible();
  expect(await apart()).toEqual(before);
  const over = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
  expect(await over()).toBeLessThanOrEqual(0);
  await page.getByRole("tab", { name: "Side by side" }).click();
  await expect(page.getByRole("row").nth(1)).toBeVisible();
  expect(await over()).toBeLessThanOrEqual(0);
  expect(await axe(page)).toEqual([]);
});

test("outcomes are pasted, what serves them is said with a press, and what is left is a gap that leads on", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Liina Weighs");
  const { collection } = await act("collections.make", { team, title: "Week one" });
  for (const place of TEN.slice(0, 2))
    await act("capture.address", { team, address: at(place), collection: collection.id, section: null });
  await page.goto(`/team/${team}/outcomes`);
  await page.getByRole("button", { name: "Write or paste them" }).click();
  await page.getByLabel("Outcomes or questions, one a line").fill("1 Peat");
  await page.getByLabel("A table of outcomes (CSV)").setInputFiles({
    ...{ name: "outcomes.csv", mimeType: "text/csv" },
    buffer: Buffer.from("code;outcome\n1.1;Say what it is made of\n1.2;Say how old it is\n"),
  });
  await expect(page.getByText("3 outcomes, in 2 steps.")).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "Write them down" }).click();
  await expect(page.getByRole("status").getByText("0 of 2 covered")).toBeVisible();
  await page.getByRole("button", { name: "1.1, Week one: nothing" }).click();
  const serving = page.getByRole("region", { name: "What in Week one serves Say what it is made of" });
  await serving.getByRole("group").first().getByText("Fully").click();
  await serving.getByRole("group").nth(1).getByText("Partly").click();
  await expect(page.getByRole("row", { name: /^1\.1/ })).toContainText("only unappraised");
  expect(await axe(page)).toEqual([]);
  await serving.getByRole("button", { name: "Close" }).click();
  await page.getByRole("button", { name: "Only the gaps" }).click();
  await expect(page.getByRole("row")).toHaveCount(3);
  await page.getByRole("button", { name: "1.2 Say how old it is" }).click();
  await page.getByRole("link", { name: "Search the catalogue for its words" }).click();
  await page.waitForURL(/catalogue\?q=Say/);
  await page.goBack();
  await page.getByRole("button", { name: "1.2 Say how old it is" }).click();
  await page.getByRole("link", { name: "Ask others for it" }).click();
  await page.getByRole("button", { name: "Ask for suggestions for it" }).click();
  await page.getByText("What is asked for, until when").click();
  await expect(page.getByLabel("What you ask for")).toHaveValue("Still looking for: Say how old it is");
  expect(await axe(page)).toEqual([]);
});

test("a shortlist: what is wanted first, at what price, and what all of it costs so far", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Maire Weighs");
  const { collection } = await act("collections.make", { team, title: "To buy" });
  for (const place of TEN.slice(0, 2))
    await act("capture.address", { team, address: at(place), collection: collection.id, section: null });
  await page.goto(`/team/${team}/appraisal`);
  await page.getByRole("button", { name: "Begin with these five" }).click();
  await page.getByRole("button", { name: "Start a round" }).click();
  await page.getByLabel("What is judged").selectOption({ label: "To buy" });
  await page.getByRole("button", { name: "Start the round" }).click();
  await page.getByRole("tab", { name: "Shortlist" }).click();
  const list = page.getByRole("region", { name: "The shortlist" });
  const rows = list.locator("tbody tr");
  await expect(rows).toHaveCount(2);
  await rows
    .nth(1)
    .getByLabel(/^Wanted/)
    .selectOption({ label: "1: first of all" });
  // It goes to the top, with what is said of it.
  await expect(rows.first().getByLabel(/^Wanted/)).toHaveValue("1");
  await rows
    .first()
    .getByLabel(/^Price of one/)
    .fill("a lot");
  await rows
    .first()
    .getByLabel(/^Price of one/)
    .press("Enter");
  await expect(list.getByText("A price looks like 12.50.")).toBeVisible();
  await rows
    .first()
    .getByLabel(/^Price of one/)
    .fill("12,50");
  await rows
    .first()
    .getByLabel(/^Price of one/)
    .press("Enter");
  await rows
    .first()
    .getByLabel(/^Number/)
    .fill("3");
  await rows
    .first()
    .getByLabel(/^Number/)
    .press("Enter");
  await expect(rows.first()).toContainText("37.50");
  await expect(page.getByText("1 has no price yet")).toBeVisible();
  await rows
    .nth(1)
    .getByLabel(/^Price of one/)
    .fill("20");
  await rows
    .nth(1)
    .getByLabel(/^Price of one/)
    .press("Enter");
  await expect(rows.nth(1)).toContainText("57.50");
  await page.getByLabel("It may cost").fill("50");
  await page.getByLabel("Currency").fill("XYZ");
  await page.getByLabel("Currency").press("Enter");
  await expect(page.getByText("This is no currency.")).toBeVisible();
  await page.getByLabel("Currency").fill("eur");
  await page.getByLabel("Currency").press("Enter");
  await expect(rows.nth(1)).toContainText("€57.50");
  await expect(rows.nth(1)).toContainText("over the budget");
  await expect(rows.first()).not.toContainText("over the budget");
  expect(await axe(page)).toEqual([]);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Take it along" }).click(),
  ]);
  expect(readFileSync(await file.path(), "utf8")).toContain("12.50,3,37.50,37.50");
});
