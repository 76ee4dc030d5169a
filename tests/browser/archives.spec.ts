import { axe } from "./axe";
import { expect, items, newcomer, test } from "./hands";

test("a team is taken along by its owner and comes back as a new one, with everything in it; what is none is refused", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Wanda Keeper");
  const { collection } = await act("collections.make", { team, title: "Fen walks" });
  for (const text of ["Start at the gate", "Stop at the sluice"])
    await act("capture.note", { team, text, collection: collection.id });

  await page.goto(`/team/${team}/people`);
  const [archive] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Take the archive" }).click(),
  ]);
  expect(archive.suggestedFilename()).toMatch(/\.zip$/);
  expect(await axe(page)).toEqual([]);

  await page.goto("/account");
  const part = page.locator("#archives");
  const choose = async (file: Parameters<ReturnType<typeof page.locator>["setInputFiles"]>[0]) => {
    const chooser = page.waitForEvent("filechooser");
    await part.getByRole("button", { name: "Bring an archive back" }).click();
    await (await chooser).setFiles(file);
  };
  await choose({ name: "x.zip", mimeType: "application/zip", buffer: Buffer.from("no archive at all") });
  await expect(part.getByText("This is no ZIP, or it is damaged.")).toBeVisible({ timeout: 30_000 });
  await choose((await archive.path())!);
  await expect(part.getByText(/is back, \d+ entries/)).toBeVisible({ timeout: 30_000 });
  expect(await axe(page, { part: "#archives" })).toEqual([]);
  await part.getByRole("link").first().click();
  await page.waitForURL(/\/team\//);
  expect(page.url()).not.toContain(team);
  await page
    .getByRole("link", { name: /Fen walks/ })
    .first()
    .click();
  await expect(items(page)).toHaveCount(2);
  await expect(items(page).first()).toContainText("Start at the gate");
});
