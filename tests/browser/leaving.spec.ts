import { axe } from "./axe";
import { expect, newcomer, NEWCOMERS_PASSWORD, test } from "./hands";

test("a code on the wall lets a room in; who leaves takes their name off, and who deletes their account is gone", async ({
  browser,
}) => {
  const { page, act } = await newcomer(browser, "Wiebke Torf");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Rewetting course" });
  const { collection } = await act("collections.make", { team: team.id, title: "Ditches to block" });
  await page.goto(`/team/${team.id}/people`);
  await page.getByLabel("As", { exact: true }).selectOption("owner");
  await expect(page.getByRole("button", { name: "Make a code" })).toHaveCount(0);
  await page.getByLabel("As", { exact: true }).selectOption("contributor");
  await page.getByRole("button", { name: "Make a code" }).click();
  const line = page.getByRole("list", { name: "Open invitations" }).getByRole("listitem");
  await expect(line).toContainText("/go. Contributor, until");
  await expect(line).toContainText("0 of 40 came");
  const code = await line.locator("b").textContent();
  expect(await axe(page)).toEqual([]);

  const { page: other, act: otherAct } = await newcomer(browser, "Malte Ried");
  await other.goto("/go");
  await other.getByRole("textbox").fill(code!.toUpperCase());
  await other.keyboard.press("Enter");
  await expect(other.getByText("Wiebke Torf invites you as contributor")).toBeVisible();
  await other.getByRole("button", { name: "Join" }).click();
  await expect(other).toHaveURL(`/team/${team.id}`);
  await page.reload();
  await expect(line).toContainText("1 of 40 came");
  await otherAct("comments.add", { collection: collection.id, words: "The third one leaks." });

  await other.goto(`/team/${team.id}/people`);
  await other.getByRole("button", { name: "Leave" }).click();
  const dialog = other.getByRole("dialog");
  expect(await axe(other, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByLabel("My name comes off it").click();
  await dialog.getByRole("button", { name: "Leave" }).click();
  await expect(other).not.toHaveURL(new RegExp(team.id));
  await expect(async () => {
    const { comments } = await act<{ comments: { words: string; by: { name: string | null } }[] }>(
      "comments.of-collection",
      { collection: collection.id },
    );
    expect(comments).toMatchObject([{ words: "The third one leaks.", by: { name: null } }]);
  }).toPass();
  await page.goto(`/bench/${collection.id}`);
  await expect(page.getByRole("heading", { name: "Ditches to block" })).toBeVisible();

  // The last owner of a team others are in is sent to its people first.
  await other.goto("/account");
  const { invitation } = await act<{ invitation: { code: string } }>("invitations.make", {
    ...{ team: team.id, role: "editor" },
  });
  await otherAct("invitations.accept", { code: invitation.code });
  await page.goto("/account");
  await page.getByRole("button", { name: "Delete my account …" }).click();
  await expect(page.getByRole("link", { name: "Make somebody an owner" })).toBeVisible();

  await other.getByRole("button", { name: "Delete my account …" }).click();
  await expect(dialog.getByRole("listitem")).toHaveText([
    /^Malte Ried’s ownempty$/,
    "Rewetting course1 more in it",
  ]);
  expect(await axe(other, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByLabel("Your password").fill("something else");
  await dialog.getByRole("button", { name: "Delete it for good" }).click();
  await expect(dialog.getByText("This is not your password.")).toBeVisible();
  await dialog.getByLabel("Your password").fill(NEWCOMERS_PASSWORD);
  await dialog.getByRole("button", { name: "Delete it for good" }).click();
  await expect(other).toHaveURL("/sign-in");
  await other.goto("/account");
  await expect(other).toHaveURL(/\/sign-in/);
});
