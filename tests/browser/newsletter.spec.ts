import { axe } from "./axe";
import { expect, linkIn, messageTo, openCollection, newcomer, test } from "./hands";

test("a newsletter: made from a collection, asked for by a reader, sent, read, and left with one press", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Tansy Holm", {
    permissions: ["clipboard-read", "clipboard-write"],
  });
  const title = "Notes from the moor";
  const { id: collection } = (await act("collections.make", { team, title })).collection;
  await act("capture.note", {
    team,
    collection,
    title: "The first frog",
    text: "It sat on the third board.",
  });
  await openCollection(page, title);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "A newsletter" }).click();
  await expect(page.getByRole("heading", { name: "Dates and notices" })).toBeVisible();
  const { code } = await act("share.set", { collection, audience: "link" });

  const reader = await (await browser.newContext()).newPage();
  const address = `frog-${Date.now()}@pond.example`;
  await expect(async () => {
    await reader.goto(`/c/${code}`);
    await reader.getByRole("link", { name: "Get it by mail" }).click({ timeout: 1_000 });
  }).toPass();
  expect(await axe(reader)).toEqual([]);
  await reader.getByLabel("Mail address").fill(address);
  await reader.keyboard.press("Enter");
  await expect(reader.getByRole("heading", { name: "Look into your mailbox" })).toBeVisible();
  await reader.goto(linkIn(await messageTo(address, `Do you want “${title}” by mail?`)));
  expect(await axe(reader)).toEqual([]);
  await reader.getByRole("button", { name: "Yes, send it to me" }).click();
  await expect(reader.getByRole("heading", { name: "It comes to you" })).toBeVisible();

  await page.getByRole("link", { name: "Next issue" }).click();
  await expect(page.getByText("None has gone out yet.")).toBeVisible();
  await page.getByRole("button", { name: "Send it to 1 reader" }).click();
  await page.getByRole("button", { name: "Send it now" }).click();
  await expect(page.getByText("Give it a subject")).toBeVisible();
  await page.getByLabel("Subject").fill("Frogs again");
  await page.getByLabel("Greeting").fill("Dear all, here is the first of them.");
  await expect(page.frameLocator("iframe").getByText("Dear all, here is the first of them.")).toBeVisible();
  expect(await axe(page, { without: "iframe" })).toEqual([]);
  const letterPage = await page.context().newPage();
  await letterPage.setContent((await page.locator("iframe").getAttribute("srcdoc"))!);
  // A letter has no landmarks; where it stands is the mailbox's.
  await letterPage.evaluate(() => (document.body.innerHTML = `<main>${document.body.innerHTML}</main>`));
  expect(await axe(letterPage)).toEqual([]);
  await letterPage.close();
  await page.getByRole("button", { name: "Copy it with its look" }).click();
  await expect(page.getByText("Copied with its look.")).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain("The first frog");
  await page.getByRole("button", { name: "Send it to 1 reader" }).click();
  await page.getByRole("button", { name: "Send it now" }).click();
  await expect(page.getByText("1. Frogs again")).toBeVisible();
  const letter = await messageTo(address, "Frogs again");
  expect(letter).toContain("It sat on the third board.");
  await expect(page.getByText(/· to 1 reader$/)).toBeVisible();

  await reader.goto(/https?:\S+\/e\/1$/m.exec(letter)![0]);
  await expect(reader.getByText("Frogs again")).toBeVisible();
  await reader.goto(/https?:\S+\/list\/\w+$/m.exec(letter)![0]);
  await reader.getByRole("button", { name: "Leave the list" }).click();
  await expect(reader.getByRole("heading", { name: "You are off the list" })).toBeVisible();
  await page.reload();
  await expect(page.getByText("Nobody yet")).toBeVisible();
});
