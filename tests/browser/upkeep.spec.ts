import { axe } from "./axe";
import { expect, newcomer, readFileSync, test } from "./hands";

test("an owner sees who did what, narrows it, saves it as a table, and says how long things are kept", async ({
  browser,
}) => {
  const { page, act } = await newcomer(browser, "Gesa Siel");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Sluice keepers" });
  const { collection } = await act("collections.make", { team: team.id, title: "Gates and tides" });
  await act("invitations.send", { team: team.id, role: "viewer", addresses: ["kim@bog.example"] });
  await act("share.set", { collection: collection.id, audience: "link" });
  const { invitation } = await act<{ invitation: { code: string } }>("invitations.make", {
    ...{ team: team.id, role: "editor" },
  });
  const other = await newcomer(browser, "Focko Deich");
  await other.act("invitations.accept", { code: invitation.code });
  await page.goto(`/team/${team.id}`);
  await page.getByRole("button", { name: "Team", exact: true }).click();
  await page.getByRole("menuitem", { name: "Upkeep" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Upkeep" })).toBeVisible();
  const log = page.getByRole("list", { name: "Log" }).getByRole("listitem");
  await expect(log.first()).toContainText("Focko Deich joined the team");
  expect(await axe(page)).toEqual([]);
  await page.getByLabel("What", { exact: true }).selectOption("Who can see what");
  await expect(log).toHaveCount(1);
  await expect(log).toContainText("Gesa Siel changed who can see Gates and tides");
  await page.getByLabel("What", { exact: true }).selectOption("People and rights");
  await page.getByLabel("Who", { exact: true }).selectOption("Gesa Siel");
  await expect(log.filter({ hasText: "invited kim@bog.example, as viewer" })).toHaveCount(1);
  await expect(log.filter({ hasText: "Focko" })).toHaveCount(0);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save as CSV" }).click(),
  ]);
  expect(file.suggestedFilename()).toBe("Sluice keepers, log.csv");
  const lines = readFileSync(await file.path(), "utf8").split("\r\n");
  expect(lines.pop()).toBe("");
  expect(lines[0]).toBe("\uFEFFWhen (UTC),Who,What,Collection,About");
  expect(
    lines.filter((line) => line.endsWith('Gesa Siel,invited,,"kim@bog.example, as viewer"')),
  ).toHaveLength(1);
  expect(lines.every((line) => !line.includes("Focko"))).toBe(true);

  await page.getByLabel("What is deleted").selectOption("for 90 days");
  await expect(async () => {
    await page.goto(`/team/${team.id}/bin`);
    await expect(page.getByText("waits here for 90 days")).toBeVisible({ timeout: 1_000 });
  }).toPass();
  // Who does not own it has no such place.
  await other.page.goto(`/team/${team.id}/upkeep`);
  await expect(other.page.getByText("Nothing is here for you")).toBeVisible();
});
