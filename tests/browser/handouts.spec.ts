import { axe } from "./axe";
import { codesPrinted } from "./codes-on";
import { expect, newcomer, test } from "./hands";

test("a collection handed out to a list of names by code, written in by two of them, corrected afterwards", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Signe Moor");
  const { collection } = await act("collections.make", { team, title: "What peat keeps" });
  const { section } = await act("sections.make", { collection: collection.id, title: "In the field" });
  const note = (text: string, where: string | null) =>
    act("capture.note", { team, text, collection: collection.id, section: where });
  const { item: first } = await note("A stem that is two thousand years old", null);
  await act("placements.edit", { placement: first!.id, context: "Read this" });
  const { item: second } = await note("Where the water stands", section.id);

  // Three gestures: the menu, the entry, the button. The group is made on the way.
  await page.goto(`/bench/${collection.id}`);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Hand out to a group …" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("What the group is called").fill("7a");
  await dialog.getByLabel("Names, one a line").fill("1. Ada Fen\n2. Ben Reed\n3. Cleo Bog");
  await expect(dialog.getByText("3 names.")).toBeVisible();
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("button", { name: "Make the group" }).click();
  const go = dialog.getByRole("button", { name: "Hand out to 7a" });
  await expect(go).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "What peat keeps" })).toBeVisible();
  await page.waitForURL(/handouts/);
  await expect(page.getByText("3 not opened")).toBeVisible();
  expect(await axe(page)).toEqual([]);

  // The names, their codes and their cards.
  const overview = page.url();
  await page.getByRole("link", { name: "7a", exact: true }).click();
  const code = async (name: string) => (await page.getByLabel(`Code of ${name}`).textContent())!;
  const [ada, ben] = [await code("Ada Fen"), await code("Ben Reed")];
  expect(await axe(page)).toEqual([]);
  const [cards] = await Promise.all([
    page.waitForEvent("popup"),
    page.getByRole("link", { name: "Name cards to print" }).click(),
  ]);
  await expect(cards.getByRole("heading", { name: "Cleo Bog" })).toBeVisible();
  await expect(cards.getByText(ada)).toBeVisible();
  // On paper: read back by a camera’s program, each leads to its own.
  const [printed, ...others] = codesPrinted(await cards.pdf({ preferCSSPageSize: true }));
  expect(others).toEqual([]);
  const whose: string[] = [];
  for (const address of printed!) {
    await cards.goto(address);
    whose.push((await cards.getByRole("heading", { level: 1 }).textContent())!);
  }
  expect(whose.sort()).toEqual(["Ada Fen", "Ben Reed", "Cleo Bog"]);
  await cards.close();

  // A phone that has never been here, with nothing but the code.
  const phone = async (typed: string) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
    const hand = await context.newPage();
    await hand.goto("/go");
    await hand.getByRole("textbox").fill(typed);
    await hand.keyboard.press("Enter");
    await expect(hand.getByRole("link", { name: "What peat keeps" })).toBeVisible();
    expect(await axe(hand)).toEqual([]);
    await hand.getByRole("link", { name: "What peat keeps" }).click();
    await expect(hand.getByText("0 of 2 done")).toBeVisible();
    return hand;
  };
  const [one, two] = [await phone(ada), await phone(ben)];
  expect(await axe(one)).toEqual([]);
  await one.getByRole("checkbox", { name: "Done: A stem that is two thousand years old" }).check();
  await expect(one.getByText("1 of 2 done")).toBeVisible();
  await one.getByLabel("Your answer").first().fill("Because no air gets to it.");
  await one.getByRole("button", { name: "Say why in your own words" }).first().click();
  const own = one.getByLabel(/Why “A stem .* in your own words/);
  await expect(own).toBeFocused();
  await own.fill("Peat keeps what falls into it");
  await one.getByRole("button", { name: "Add something you found to In the field" }).click();
  await one.getByLabel("Address").fill("bog.example/mine");
  await one.getByLabel("Why it belongs here").fill("It has photographs");
  await one.getByRole("button", { name: "Add it" }).click();
  await expect(one.getByRole("link", { name: "bog.example/mine" })).toBeVisible();
  await two.getByLabel("Your answer").last().fill("In the ditch.");
  await two.getByRole("button", { name: "Hand it in" }).click();
  await expect(two.getByText(/^Handed in on/)).toBeVisible();
  await expect(two.getByLabel("Your answer")).toHaveCount(0);
  await expect(two.getByText("In the ditch.")).toBeVisible();

  // The giver sees both, looks into one, and says so.
  await page.goto(overview);
  const row = (name: string) => page.getByRole("row", { name: new RegExp(`^${name}`) });
  await expect(row("Ada Fen")).toContainText("Begun");
  await expect(row("Ada Fen")).toContainText("1 of 2");
  await expect(row("Ben Reed")).toContainText("Handed in");
  await page.getByRole("link", { name: "Ben Reed" }).click();
  await expect(page.getByText("In the ditch.")).toBeVisible();
  await page.getByRole("button", { name: "I have looked at it" }).click();
  await expect(page.getByText("Looked at", { exact: true })).toBeVisible();
  // What is said to one of them stands at the head of theirs.
  await page.getByLabel("Something to say to Ben Reed").fill("The ditch is right. And why there?");
  expect(await axe(page)).toEqual([]);
  await expect(async () => {
    await two.reload();
    await expect(two.getByRole("region", { name: "Said to you about it" })).toContainText(
      "The ditch is right.",
      {
        timeout: 2_000,
      },
    );
  }).toPass();
  expect(await axe(two)).toEqual([]);

  // What they wrote is found by words, and leads to who wrote it.
  await page.goto(overview);
  const places = page.getByRole("region", { name: "Find in what they wrote" });
  await places.getByRole("searchbox").fill("ditch");
  await expect(places.getByRole("listitem")).toHaveCount(1);
  await expect(places.getByRole("listitem")).toContainText("In the ditch.");

  // A correction: other words, one taken out, one new.
  await act("placements.edit", { placement: first!.id, context: "Read this first of all" });
  await act("placements.remove", { placement: second!.id });
  await note("How deep it goes", section.id);
  await page.goto(overview);
  await page.getByRole("button", { name: "Send what has changed" }).click();
  await expect(dialog.getByText("New: 1")).toBeVisible();
  await expect(dialog.getByText("Taken out: 1")).toBeVisible();
  await expect(dialog.getByText(/^1 has written own words where yours changed/)).toBeVisible();
  await expect(dialog.getByText(/^1 has written something at what is taken out/)).toBeVisible();
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("button", { name: "Send to 7a" }).click();
  await expect(dialog).toHaveCount(0);

  // Ada's words are hers, with the new ones beside them; she keeps hers.
  await one.reload();
  await expect(own).toHaveValue("Peat keeps what falls into it");
  await expect(one.getByText("Read this first of all")).toBeVisible();
  await one.getByRole("button", { name: "Keep mine" }).click();
  await expect(one.getByRole("button", { name: "Keep mine" })).toHaveCount(0);
  await expect(own).toHaveValue("Peat keeps what falls into it");
  await expect(one.getByLabel("Your answer").first()).toHaveValue("Because no air gets to it.");
  await expect(one.getByText("Where the water stands")).toHaveCount(0);
  await expect(one.getByText("How deep it goes").first()).toBeVisible();
  // Ben keeps what he wrote at, and has the rest as it is now.
  await two.reload();
  await expect(two.getByText("This was taken out since.")).toBeVisible();
  await expect(two.getByText("In the ditch.")).toBeVisible();
  await expect(two.getByText("Read this first of all")).toBeVisible();

  // It is taken back.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(async () => {
    await two.reload();
    await expect(two.getByText("Read this", { exact: true })).toBeVisible({ timeout: 5_000 });
  }).toPass();
  await expect(two.getByText("This was taken out since.")).toHaveCount(0);

  // What came back becomes a collection.
  await page.getByRole("button", { name: "Collect", exact: true }).click();
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("button", { name: "Collect", exact: true }).click();
  await expect(
    page.getByRole("heading", { level: 1, name: "What peat keeps: what came back" }),
  ).toBeAttached();
  await expect(page.getByText("Ada Fen: “Peat keeps what falls into it”").first()).toBeVisible();
  await expect(page.getByText("Found by Ada Fen.").first()).toBeVisible();

  // By keys alone, to a group that is there.
  await page.goto(`/bench/${collection.id}`);
  const box = page.getByPlaceholder("Find anything, go anywhere");
  await expect(async () => {
    if (!(await box.isVisible())) await page.keyboard.press("Control+k");
    await expect(box).toBeVisible({ timeout: 5_000 });
  }).toPass();
  await page.keyboard.type("hand this");
  await expect(page.getByRole("option", { name: "Hand this collection out to a group" })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(go).toBeFocused();
  await page.keyboard.press("Enter");
  await page.waitForURL(/handouts/);
  await expect(page.getByText("3 not opened")).toBeVisible();

  // A lost card opens nothing any more, and says what to do.
  await page.goto(overview);
  await page.getByRole("link", { name: "7a", exact: true }).click();
  await page.getByRole("button", { name: "What to do with Ada Fen" }).click();
  await page.getByRole("menuitem", { name: "The card is lost: give a new one" }).click();
  await expect(page.getByText("Ada Fen has a new code.")).toBeVisible();
  await one.reload();
  await expect(one.getByRole("heading", { name: "This is not here any more" })).toBeVisible();
  expect(await axe(one)).toEqual([]);
});
