import { axe } from "./axe";
import { at, expect, items, makeCollection, paste, placeIt, signIn, test } from "./hands";

test("something is said about an item, seen by a colleague, answered, settled; what is begun is not lost", async ({
  browser,
}) => {
  const ama = await signIn(browser, "ama");
  await makeCollection(ama, "Talked about");
  await paste(ama, at("mosskey/sundew"));
  await placeIt(ama, "Sundew");
  const item = items(ama).first();
  await expect(item).toContainText("Sundew");
  const rhea = await signIn(browser, "rhea");
  await rhea.goto(ama.url());
  await expect(items(rhea)).toHaveCount(1);

  // One key, and one writes.
  await item.focus();
  await ama.keyboard.press("r");
  const field = ama.getByLabel("Say something about it to the team");
  await expect(field).toBeFocused();
  await ama.keyboard.type("Is the key still right?");
  await ama.keyboard.press("Control+Enter");
  await expect(ama.getByRole("button", { name: "1 comment", exact: true })).toBeVisible();

  // It stands on the other's item without a reload; a press shows it where it was said.
  await rhea.getByRole("button", { name: "1 comment", exact: true }).click();
  const said = rhea.getByRole("region", { name: "Comments" });
  await expect(said).toContainText("Is the key still right?");
  await expect(said.getByLabel("Say something about it to the team")).toBeInViewport({ ratio: 1 });
  await said.getByRole("button", { name: "Answer" }).click();
  await rhea.keyboard.type("Not for the long-leaved one.");
  await said.getByRole("button", { name: "Answer" }).click();
  const here = ama.getByRole("region", { name: "Comments" });
  await expect(here).toContainText("Not for the long-leaved one.");
  await expect(ama.getByRole("button", { name: "2 comments", exact: true })).toBeVisible();
  expect(await axe(ama)).toEqual([]);

  // What is begun stands there again, whatever it stood in is closed.
  await field.fill("I shall ask");
  await ama.keyboard.press("Escape");
  await expect(here).toHaveCount(0);
  await expect(item).toBeFocused();
  await ama.keyboard.press("r");
  await expect(field).toHaveValue("I shall ask");
  await expect(field).toBeInViewport({ ratio: 1 });
  await field.fill("");

  // One's own words are changed; what is settled is out of the way, and comes back with an undo.
  await here.getByRole("button", { name: "Change" }).click();
  await ama.getByLabel("What you said").fill("Is the key of 1998 still right?");
  await here.getByRole("button", { name: "Save" }).click();
  await expect(said).toContainText("Is the key of 1998 still right?");
  await here.getByRole("button", { name: "Settle", exact: true }).click();
  await expect(here.getByRole("button", { name: "1 settled" })).toBeVisible();
  await expect(rhea.getByRole("button", { name: "2 comments", exact: true })).toHaveCount(0);
  await ama.keyboard.press("Control+z");
  await expect(rhea.getByRole("button", { name: "2 comments", exact: true })).toBeVisible();
});

test("what is said of a collection and its sections stands together, with the way to its items", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Talked about as a whole");
  await paste(page, at("mosskey/sundew"));
  await placeIt(page, "Sundew");
  await expect(items(page).first()).toContainText("Sundew");
  await page.keyboard.press("n");
  await page.getByLabel("Name of the section").fill("Week one");
  await page.keyboard.press("Enter");

  await page.getByRole("button", { name: "What to do with the section Week one" }).click();
  await page.getByRole("menuitem", { name: "Comment" }).click();
  const dialog = page.getByRole("dialog");
  await page.getByLabel("Say something about the section").fill("Too much for one week");
  await dialog.getByRole("button", { name: "Say it" }).click();
  await expect(dialog.getByRole("listitem")).toContainText("Too much for one week");
  await dialog.getByLabel("About", { exact: true }).selectOption("");
  await page.getByLabel("Say something about the collection").fill("Thank you for this");
  await dialog.getByRole("button", { name: "Say it" }).click();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Comments: 2" })).toBeVisible();

  await items(page).first().focus();
  await page.keyboard.press("r");
  await page.getByLabel("Say something about it to the team").fill("And this one?");
  await page.keyboard.press("Control+Enter");
  await items(page).first().focus();
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Comments: 3" }).click();
  await dialog.getByRole("button", { name: /Sundew/ }).click();
  await expect(page.getByRole("region", { name: "Comments" })).toContainText("And this one?");
  await expect(page.getByLabel("Say something about it to the team")).toBeFocused();
});
