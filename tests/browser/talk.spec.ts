import { axe } from "./axe";
import { at, expect, items, makeCollection, newcomer, paste, placeIt, signIn, test } from "./hands";

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
  // By its own Undo: the key takes back what one did last, and others are at work in her name meanwhile.
  const told = ama.getByRole("listitem").filter({ hasText: "Settled." });
  await told.getByRole("button", { name: "Undo" }).click();
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

test("who is meant by name hears of it wherever they are, comes to the place, and has looked at it then", async ({
  browser,
}) => {
  const { page, act } = await newcomer(browser, "Oda Reed");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Reed beds" });
  const { collection } = await act("collections.make", { team: team.id, title: "Reed and water" });
  for (const text of ["Reed hears the wind", "Water keeps the day"])
    await act("capture.note", { team: team.id, text, collection: collection.id });
  const { invitation } = await act<{ invitation: { code: string } }>("invitations.make", {
    ...{ team: team.id, role: "viewer" },
  });
  const piet = await newcomer(browser, "Piet Lind");
  await piet.act("invitations.accept", { code: invitation.code });
  await piet.page.goto(`/team/${team.id}`);

  await page.goto(`/bench/${collection.id}`);
  await items(page).last().focus();
  await page.keyboard.press("r");
  const field = page.getByLabel("Say something about it to the team");
  await expect(field).toBeFocused();
  // Nobody who sees it is called so: it is said while it can still be changed.
  await page.keyboard.type("@Pim, ");
  await expect(page.getByText(/Nobody who sees this is called “Pim”/)).toBeVisible();
  await field.fill("");
  await page.keyboard.type("Is it, @li");
  await expect(page.getByRole("listbox", { name: "Who is meant" })).toHaveText("PLPiet Lind");
  expect(await axe(page)).toEqual([]);
  // Whoever types on at once has every letter behind the name.
  await page.keyboard.press("Enter");
  await page.keyboard.type("so?");
  await expect(field).toHaveValue("Is it, @Piet Lind so?");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByRole("region", { name: "Comments" })).toContainText("Is it, @Piet Lind so?");

  const addressed = piet.page.getByRole("region", { name: "Addressed to you" });
  await expect(addressed.getByRole("link")).toHaveText(
    /Oda Reed means you in Reed and water, at “Water keeps the day”/,
  );
  await expect(piet.page.getByRole("link", { name: "Desk 1 waiting" })).toBeVisible();
  expect(await axe(piet.page)).toEqual([]);
  await addressed.getByRole("link").click();
  const there = piet.page.getByRole("region", { name: "Comments" });
  await expect(there).toContainText("Is it, @Piet Lind so?");
  await expect(piet.page.getByRole("link", { name: "Desk", exact: true })).toBeVisible();
  await there.getByRole("button", { name: "Answer" }).click();
  await piet.page.keyboard.type("It is.");
  await piet.page.keyboard.press("Control+Enter");
  // An answer is addressed to whom it answers; she has it before her, so it is looked at already.
  await expect(page.getByRole("region", { name: "Comments" })).toContainText("It is.");
  await piet.page.goto(`/team/${team.id}`);
  await expect(addressed).toContainText("Nothing you have not looked at.");
  await page.goto(`/team/${team.id}`);
  await expect(page.getByRole("region", { name: "Addressed to you" })).toContainText(
    "Nothing you have not looked at.",
  );
});

test("somebody is asked to see to an item by a day, has it on their Desk until it is done, and keeps a note for themselves", async ({
  browser,
}) => {
  const { page, act } = await newcomer(browser, "Oda Reed");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Reed beds" });
  const { collection } = await act("collections.make", { team: team.id, title: "Reed and water" });
  const note = { team: team.id, text: "Water keeps the day", collection: collection.id };
  const { resource } = await act<{ resource: { id: string } }>("capture.note", note);
  await act("marks.add", {
    ...{ resource: resource.id, private: false, note: "" },
    selector: { type: "TextQuoteSelector", exact: "Water keeps" },
  });
  const { invitation } = await act<{ invitation: { code: string } }>("invitations.make", {
    ...{ team: team.id, role: "viewer" },
  });
  const piet = await newcomer(browser, "Piet Lind");
  await piet.act("invitations.accept", { code: invitation.code });
  await piet.page.goto(`/team/${team.id}`);

  await page.goto(`/bench/${collection.id}`);
  await items(page).first().focus();
  await page.keyboard.press("Enter");
  const who = page.getByLabel("Who sees to it");
  await expect(who.getByRole("option")).toHaveText(["Nobody is asked", "Oda Reed (you)", "Piet Lind"]);
  await who.selectOption("Piet Lind");
  await page.getByLabel("Until", { exact: true }).fill("2027-01-15");
  await expect(items(page).getByText("Piet Lind sees to it until 15 January 2027")).toBeVisible();
  await page.getByLabel("Note for yourself").fill("Ask him for the drone picture");
  await page.keyboard.press("Tab");
  expect(await axe(page)).toEqual([]);

  // What is said about a mark stands with what is said about its item, under the words that are meant.
  await page.getByRole("button", { name: "Comment on “Water keeps”" }).click();
  await page.getByLabel("Say something about this mark").fill("Since when?");
  await page.keyboard.press("Control+Enter");
  const said = page.getByRole("region", { name: "Comments" });
  await expect(said).toContainText("Since when?");
  await expect(said.getByRole("blockquote")).toHaveText("Water keeps");
  await expect(page.getByRole("button", { name: "Comment on “Water keeps”" })).toBeFocused();

  // It is told wherever they are, stays when it was looked at, and goes when it is done.
  const asked = piet.page.getByRole("list", { name: "To see to" }).getByRole("listitem");
  await expect(asked).toContainText("Oda Reed asks you to see to this by 15 January 2027, in Reed and water");
  await expect(piet.page.getByRole("link", { name: "Desk 1 waiting" })).toBeVisible();
  expect(await axe(piet.page)).toEqual([]);
  await asked.getByRole("link").click();
  await expect(items(piet.page).getByText("You see to it until 15 January 2027")).toBeVisible();
  // What somebody notes for themselves is theirs.
  await piet.page.keyboard.press("Enter");
  await expect(piet.page.getByLabel("Note for yourself")).toHaveValue("");
  await expect(piet.page.getByRole("link", { name: "Desk", exact: true })).toBeVisible();
  await piet.page.goto(`/team/${team.id}`);
  await asked.getByRole("button", { name: "Done: Water keeps the day" }).click();
  await expect(asked).toHaveCount(0);
  await expect(items(page).getByText("sees to it")).toHaveCount(0);
  await piet.page.getByRole("button", { name: "Undo" }).click();
  await expect(asked).toHaveCount(1);

  // One's own search finds the note, also after a reload; the other's does not.
  await page.reload();
  await items(page).first().focus();
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Note for yourself")).toHaveValue("Ask him for the drone picture");
  for (const [there, count] of [
    [page, 1],
    [piet.page, 0],
  ] as const) {
    await there.goto(`/team/${team.id}/catalogue?q=drone`);
    await expect(there.getByRole("heading", { level: 1 })).toBeVisible();
    await expect(there.getByText("Water keeps the day")).toHaveCount(count);
  }
});

test("who reads says something about a mark in its margin, and who looks after the item answers there", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Oda Reed");
  const { collection } = await act("collections.make", { team, title: "Reed and water" });
  const { resource } = await act<{ resource: { id: string } }>("capture.work", {
    ...{
      team,
      type: "report",
      title: "Water",
      address: "https://on.example/water",
      collection: collection.id,
    },
  });
  const html = "<p>Water keeps the day. Reed hears the wind.</p>";
  await act("resources.paste-text", { resource: resource.id, text: "x", html });
  const { invitation } = await act<{ invitation: { code: string } }>("invitations.make", {
    ...{ team, role: "viewer" },
  });
  const piet = await newcomer(browser, "Piet Lind");
  await piet.act("invitations.accept", { code: invitation.code });

  // A mark that was made this moment is spoken of at once.
  await page.goto(`/read/${resource.id}`);
  await page.locator(".reading").click();
  await page.keyboard.press(".");
  await page.keyboard.press("m");
  const mine = page.getByRole("group", { name: "Mark of you: Water keeps the day." });
  await mine.getByRole("button", { name: "Comment" }).click();
  await page.getByLabel("Say something about this mark").fill("@Piet Lind since when?");
  await page.keyboard.press("Control+Enter");
  await expect(mine.getByRole("list", { name: "Comments" })).toContainText("since when?");
  await expect(mine.getByRole("button", { name: "Answer" })).toBeFocused();
  expect(await axe(page)).toEqual([]);

  // To whom it is addressed it leads to the item, under the words that are meant, and from them into the text.
  await piet.page.goto(`/team/${team}`);
  await piet.page.getByRole("region", { name: "Addressed to you" }).getByRole("link").click();
  const said = piet.page.getByRole("region", { name: "Comments" });
  await expect(said).toContainText("since when?");
  await said.getByRole("link", { name: "Water keeps the day." }).click();
  const theirs = piet.page.getByRole("group", { name: "Mark of Oda Reed: Water keeps the day." });
  await theirs.getByRole("button", { name: "Answer" }).click();
  await piet.page.keyboard.type("Since the dam.");
  await piet.page.keyboard.press("Control+Enter");
  await expect(mine.getByRole("list", { name: "Comments" })).toContainText("Since the dam.");
  await mine.getByRole("link").last().click();
  await expect(page.getByRole("region", { name: "Comments" })).toContainText("Since the dam.");
});
