import { axe } from "./axe";
import { expect, items, newcomer, test } from "./hands";

test("what a colleague did since one was here stands at the items and in a list by day, and is old once it was looked at", async ({
  browser,
}) => {
  const { page, team: _, act } = await newcomer(browser, "Oda Reed");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Reed beds" });
  const { collection } = await act("collections.make", { team: team.id, title: "Reed and water" });
  const note = async (who: typeof act, text: string) =>
    (await who("capture.note", { team: team.id, text, collection: collection.id })).item.id;
  const [first, second] = [await note(act, "Reed hears the wind"), await note(act, "Water keeps the day")];
  const { invitation } = await act<{ invitation: { code: string } }>("invitations.make", {
    team: team.id,
    role: "editor",
  });
  const piet = await newcomer(browser, "Piet Lind");
  await piet.act("invitations.accept", { code: invitation.code });
  // She looks at it for a while, as her browser says every twenty seconds.
  for (let i = 0; i < 2; i++) await act("collections.be-here", { collection: collection.id, looks: true });
  await note(piet.act, "A warbler in between");
  await piet.act("placements.edit", { placement: first, context: "Hear it before you see it" });
  await piet.act("placements.move", { placement: second, section: null, after: null });

  await page.goto(`/bench/${collection.id}`);
  const fresh = items(page).filter({ hasText: "A warbler in between" });
  await expect(fresh).toHaveAccessibleDescription("New since you were here");
  await expect(items(page).filter({ hasText: "Hear it before you see it" })).toContainText("Other words");
  await expect(items(page).filter({ hasText: "Water keeps the day" })).toContainText("Moved");
  expect(await axe(page)).toEqual([]);
  await page.getByRole("link", { name: "1 new, 2 changed since you were here" }).click();
  const today = page.getByRole("region").first();
  await expect(today.getByRole("listitem").first()).toContainText("Since you were here: Piet Lind");
  await expect(today.getByRole("listitem")).toHaveCount(5);
  await expect(today).toContainText("A warbler in between");
  expect(await axe(page)).toEqual([]);
  // What happens meanwhile comes by itself.
  await piet.act("placements.edit", { placement: first, context: "Hear it first" });
  await expect(today.getByRole("listitem").first()).toContainText("wrote on an item in this collection");
  // For him nothing of it is new.
  await piet.page.goto(`/bench/${collection.id}`);
  await expect(items(piet.page)).toHaveCount(3);
  await expect(piet.page.getByText("since you were here")).toHaveCount(0);
  // Looked at, it is old.
  for (let i = 0; i < 2; i++) await act("collections.be-here", { collection: collection.id, looks: true });
  await page.goto(`/bench/${collection.id}`);
  await expect(items(page)).toHaveCount(3);
  await expect(page.getByText("since you were here")).toHaveCount(0);
});

test("a collection is seen as it was, one thing is put back, then all of it, and all of that is undone", async ({
  browser,
}) => {
  const { page, act } = await newcomer(browser, "Oda Reed");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Reed beds" });
  const { collection } = await act("collections.make", { team: team.id, title: "Reed and water" });
  const note = async (text: string) =>
    (await act("capture.note", { team: team.id, text, collection: collection.id })).item.id;
  const first = await note("Reed hears the wind");
  await act("placements.edit", { placement: first, context: "Hear it before you see it" });
  const second = await note("Water keeps the day");
  await act("placements.edit", { placement: first, context: "Other words" });
  await act("placements.remove", { placement: second });
  await act("collections.edit", { collection: collection.id, title: "Something else" });
  await note("A warbler in between");

  await page.goto(`/bench/${collection.id}/history`);
  // As it was when the second one had just been placed.
  await page
    .getByRole("listitem")
    .filter({ hasText: "Water keeps the day" })
    .last()
    .getByRole("link", { name: /^As it was/ })
    .click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Reed and water");
  await expect(page.getByText(/2 of these are otherwise today, 1 has come since/)).toBeVisible();
  await expect(page.getByRole("listitem")).toHaveText([
    /Reed hears the wind.*Hear it before you see it.*Other words since/,
    /Water keeps the day.*Not in it any more/,
  ]);
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "Put back: Water keeps the day" }).click();
  await expect(page.getByText("Put back: Water keeps the day.")).toBeVisible();
  await expect(
    page.getByRole("main").getByRole("listitem").filter({ hasText: "Water keeps the day" }),
  ).not.toContainText("any more");
  await page.getByRole("button", { name: "Put it all back so" }).click();
  await expect(page.getByText("It is the same today.")).toBeVisible();
  await page.goto(`/bench/${collection.id}`);
  await expect(items(page)).toHaveCount(2);
  await expect(items(page).first()).toContainText("Hear it before you see it");
  await expect(page.getByRole("textbox", { name: "Title of the collection" })).toHaveValue("Reed and water");
  await page.keyboard.press("Control+z");
  await expect(items(page)).toHaveCount(3);
  await page.keyboard.press("Control+z");
  await expect(items(page)).toHaveCount(2);
  await expect(items(page).first()).toContainText("Other words");
});
