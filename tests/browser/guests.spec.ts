import { axe } from "./axe";
import { expect, items, linkIn, messageTo, newcomer, test } from "./hands";

test("somebody is let into one collection by mail, works in it, sees nothing else of the team, and is out again", async ({
  browser,
}) => {
  const { page, act } = await newcomer(browser, "Silke Bruch");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Sphagnum watch" });
  const make = async (title: string, text: string) => {
    const { collection } = await act("collections.make", { team: team.id, title });
    await act("capture.note", { team: team.id, text, collection: collection.id });
    return collection.id;
  };
  const here = await make("Cores of the raised bog", "Core 4 was taken in the rain");
  await make("Not for visitors", "Where the key hangs");
  const guest = await newcomer(browser, "Tjark Ried");
  const person = (await (await guest.page.request.get("/api/auth/get-session")).json()).user;

  await page.goto(`/bench/${here}`);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Guests …" }).click();
  await page.getByLabel("As", { exact: true }).selectOption("contributor");
  await page.getByLabel("By mail").fill(person.email);
  await page.getByRole("button", { name: "Send the invitation" }).click();
  await expect(page.getByRole("list", { name: "Open invitations" }).getByRole("listitem")).toHaveCount(1);
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await page.keyboard.press("Escape");

  const subject = "Silke Bruch lets you into “Cores of the raised bog”";
  await guest.page.goto(linkIn(await messageTo(person.email, subject)));
  await expect(guest.page.getByText(/as contributor: bring things in/)).toBeVisible();
  await guest.page.getByRole("button", { name: "Open it" }).click();
  await expect(items(guest.page)).toHaveCount(1);
  await expect(guest.page.getByText("Guest of Sphagnum watch")).toBeVisible();
  await expect(page.getByText("Team and 1 guest")).toBeVisible();
  await expect(guest.page.getByRole("region", { name: "Sources" })).toHaveCount(0);
  await expect(guest.page.getByRole("link", { name: "Publish" })).toHaveCount(0);
  expect(await axe(guest.page)).toEqual([]);

  // What a guest brings in and says is there for the others as it happens.
  await guest.page.keyboard.press("b");
  await guest.page.getByLabel("Web address").fill("bog.example/core-5");
  await guest.page.getByRole("dialog").getByRole("button", { name: "Bring in" }).click();
  await expect(items(guest.page)).toHaveCount(2);
  await guest.page.keyboard.press("Escape");
  await expect(items(page).filter({ hasText: "bog.example" })).toBeVisible();
  await act("sections.make", { collection: here, title: "Taken so far" });
  await expect(guest.page.getByRole("heading", { name: "Taken so far" })).toBeVisible();
  // Taken back by whoever did it, as everywhere.
  await guest.page.keyboard.press("Control+z");
  await expect(items(guest.page)).toHaveCount(1);

  // By letters and by name nothing is found but what is theirs.
  await guest.page.keyboard.press("/");
  await guest.page.keyboard.type("visitors");
  await expect(guest.page.getByRole("option")).toHaveText(["Only what has “visitors” in this collection"]);
  await guest.page.keyboard.press("Escape");
  await guest.page.goto("/");
  const letIn = guest.page.getByRole("region", { name: "As a guest" });
  await expect(letIn.getByRole("listitem")).toHaveText([
    "Cores of the raised bogSphagnum watch · Contributor",
  ]);
  await guest.page.goto(`/team/${team.id}/collections`);
  await expect(guest.page.getByText("Not for visitors")).toHaveCount(0);

  // What they may do changes under their hands, and ends.
  await guest.page.goto(`/bench/${here}`);
  await expect(items(guest.page)).toHaveCount(1);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Guests …" }).click();
  await page.getByLabel("What Tjark Ried may do").selectOption("viewer");
  await expect(page.getByLabel("What Tjark Ried may do")).toHaveValue("viewer");
  // What they bring in goes to their own Tray from then on, and no more in here.
  await expect(async () => {
    await guest.page.keyboard.press("Escape");
    await guest.page.keyboard.press("b");
    await expect(guest.page.getByText(/It waits in your Tray until you place it/)).toBeVisible({
      timeout: 500,
    });
  }).toPass();
  await guest.page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Take Tjark Ried out" }).click();
  await expect(page.getByText("Tjark Ried is out. What they made stays.")).toBeVisible();
  await guest.page.reload();
  await expect(items(guest.page)).toHaveCount(0);
  await expect(guest.page.getByRole("heading", { level: 1 })).toBeVisible();
});
