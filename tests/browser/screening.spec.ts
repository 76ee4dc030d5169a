import { readFileSync } from "node:fs";
import { axe } from "./axe";
import { at, expect, newcomer, test } from "./hands";

test("a review is screened by keys, out with a reason; its next round takes what is left, and its flow goes along", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Veera Screens");
  const { collection } = await act("collections.make", { team, title: "What was found" });
  for (let i = 1; i <= 3; i++)
    await act("capture.address", {
      ...{ team, address: at(`peat-notebook/many/${i}`) },
      ...{ collection: collection.id, section: null },
    });
  await page.goto(`/team/${team}/appraisal`);
  await page.getByRole("button", { name: "For screening" }).click();
  await page.getByRole("button", { name: "Save" }).click();
  await page.getByRole("button", { name: "Start a round" }).click();
  await page.getByLabel("What is judged").selectOption({ label: "What was found" });
  await page.getByLabel("What the round is called").fill("By title");
  await page.getByRole("button", { name: "Start the round" }).click();
  await expect(page.getByText("1 of 3")).toBeVisible();
  // In; out for the second reason of the list; nobody knows yet.
  await page.keyboard.press("3");
  await page.keyboard.press("n");
  await expect(page.getByText("2 of 3")).toBeVisible();
  await page.keyboard.press("1");
  await expect(page.getByRole("group", { name: "Why is it out?" })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press("c");
  await expect(page.getByRole("radio", { name: "Another kind of study" })).toBeChecked();
  await page.keyboard.press("n");
  await page.keyboard.press("2");
  await expect(page.getByText("you have judged all of them")).toBeVisible();
  await page.getByRole("button", { name: "Open, and settle what differs" }).click();
  const became = page.getByRole("region", { name: "What became of it" });
  await expect(became).toContainText("Another kind of study 1");
  await became.getByRole("link", { name: "Go on with the 2 that are left" }).click();

  await expect(page.getByText("What “By title” has not left out.")).toBeVisible();
  await page.getByLabel("What the round is called").fill("By the whole text");
  await page.getByRole("button", { name: "Start the round" }).click();
  await expect(page.getByText("1 of 2")).toBeVisible();
  await page.keyboard.press("3");
  await page.keyboard.press("n");
  await page.keyboard.press("1");
  await page.keyboard.press("f");
  await expect(page.getByText("2 of 2 judgements given")).toBeVisible();
  await page.getByRole("button", { name: "Open, and settle what differs" }).click();

  await page.getByRole("tab", { name: "Flow" }).click();
  await page.getByRole("button", { name: "Write down a search" }).click();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Write how many it found.")).toBeVisible();
  await page.getByLabel("Where it was made").fill("Bog Journal");
  await page.getByLabel("When").fill("2026-09-02");
  await page.getByLabel("How many it found").fill("7");
  await page.getByLabel("With which words").fill("peat AND dams");
  await page.getByRole("button", { name: "Save" }).click();
  const rows = page.getByRole("tabpanel").getByRole("row");
  for (const [what, n] of [
    ["Records identified from databases", 7],
    ["Records removed before screening", 4],
    ["Records screened", 3],
    ["Records excluded", 1],
    ["Reports sought for retrieval", 2],
    ["Reports not retrieved", 1],
    ["Reports assessed for eligibility", 1],
    ["Included in the review", 1],
  ] as const)
    await expect(rows.filter({ hasText: what })).toContainText(new RegExp(`${n}$`));
  expect(await axe(page)).toEqual([]);
  const take = async (name: string) => {
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name }).click(),
    ]);
    return readFileSync(await file.path(), "utf8");
  };
  expect(await take("Take the figure")).toContain("Reports sought for retrieval (n = 2)");
  expect(await take("Take its table")).toMatch(/Included in the review"?,1/);
  await page.getByRole("button", { name: "Take away" }).last().click();
  await expect(rows.filter({ hasText: "Records identified" })).toHaveCount(0);
  await page
    .getByRole("listitem")
    .filter({ hasText: "Taken away: Bog Journal" })
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(rows.filter({ hasText: "Records identified from databases" })).toContainText(/7$/);
});
