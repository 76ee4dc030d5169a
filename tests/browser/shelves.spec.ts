import { axe } from "./axe";
import { expect, newcomer, test } from "./hands";

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
