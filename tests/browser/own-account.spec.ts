import { axe } from "./axe";
import { expect, linkIn, messageTo, newcomer, NEWCOMERS_PASSWORD, test } from "./hands";

test("one's account gets another mail address by a letter, sessions elsewhere are seen and ended, and letters leave the night alone", async ({
  browser,
}) => {
  const { page } = await newcomer(browser, "Piet Lind");
  await page.goto("/account");
  const { email } = (
    (await (await page.request.get("/api/auth/get-session")).json()) as { user: { email: string } }
  ).user;
  const elsewhere = await (await browser.newContext()).newPage();
  await elsewhere.goto("/sign-in");
  await elsewhere.getByLabel("Mail address").fill(email);
  await elsewhere.getByLabel("Password").fill(NEWCOMERS_PASSWORD);
  await elsewhere.keyboard.press("Enter");
  await elsewhere.waitForURL(/\/team\//);
  await page.reload();
  const sessions = page.getByRole("listitem").filter({ hasText: "Chrome on Linux" });
  await expect(sessions).toHaveCount(2);

  await page.getByRole("button", { name: "Another address" }).click();
  const dialog = page.getByRole("dialog", { name: "Another mail address" });
  await dialog.getByRole("button", { name: "Send the letter" }).click();
  await expect(dialog.getByText("Give the new address.")).toBeVisible();
  const address = `piet-${Date.now()}@fen.example`;
  await dialog.getByLabel("New mail address").fill(address);
  await dialog.getByLabel("Your password").fill("not this one");
  await dialog.getByRole("button", { name: "Send the letter" }).click();
  await expect(dialog.getByLabel("Your password")).toHaveAccessibleDescription(/password/);
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByLabel("Your password").fill(NEWCOMERS_PASSWORD);
  await dialog.getByRole("button", { name: "Send the letter" }).click();
  await expect(dialog.getByText(/A letter is on its way/)).toBeVisible();
  await page.goto(linkIn(await messageTo(address, "Confirm your new address")));
  await page.getByRole("button", { name: "Take the new address" }).click();
  await expect(
    page.getByText(`${address} is the address of your account from now on.`, { exact: false }),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Take the new address" })).toHaveCount(0);
  // Elsewhere one is signed out by it.
  await expect(async () => {
    await page.reload();
    await expect(sessions).toHaveCount(1, { timeout: 3_000 });
  }).toPass();
  await elsewhere.reload();
  await expect(elsewhere).toHaveURL(/\/sign-in/);

  await expect(async () => {
    await page
      .getByRole("combobox", { name: "Your time zone" })
      .selectOption("Europe/Tallinn", { timeout: 3_000 });
    await page.getByRole("combobox", { name: "No letters from" }).selectOption("20:00", { timeout: 3_000 });
    await expect(page.getByRole("combobox", { name: "until" })).toHaveValue("8", { timeout: 1_000 });
  }).toPass();
  await expect(async () => {
    await page.reload();
    await expect(page.getByRole("combobox", { name: "until" })).toHaveValue("8", { timeout: 3_000 });
  }).toPass();
  expect(await axe(page)).toEqual([]);
});
