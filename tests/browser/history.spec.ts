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
