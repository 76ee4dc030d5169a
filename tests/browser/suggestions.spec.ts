import { axe } from "./axe";
import { expect, newcomer, test } from "./hands";

test("somebody passing by suggests an address, words and a file by a code; a curator takes or declines; they see what became of it", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Runa Mire");
  const { collection } = await act("collections.make", { team, title: "Birds over the bog" });
  await act("sections.make", { collection: collection.id, title: "At dusk" });
  await page.goto(`/bench/${collection.id}`);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Suggestions" }).click();
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "Ask for suggestions" }).click();
  const code = (await page.getByLabel("Short code").textContent())!;
  await expect(page.getByRole("button", { name: "Copy the address" })).toBeFocused();
  await page.getByText("What is asked for, until when").click();
  await page.getByLabel("What you ask for").fill("Where have you heard a snipe?");
  await page.getByRole("heading", { name: "Nothing waits" }).click();

  // A phone that has never been here: the code, then three gestures.
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const phone = await context.newPage();
  await phone.goto("/go");
  await phone.getByRole("textbox").fill(code);
  await phone.keyboard.press("Enter");
  await expect(phone.getByRole("heading", { level: 1, name: "Birds over the bog" })).toBeVisible();
  await expect(phone.getByText("Where have you heard a snipe?")).toBeVisible();
  expect(await axe(phone)).toEqual([]);
  const words = phone.getByLabel("A web address, or your words");
  const suggest = phone.getByRole("button", { name: "Suggest it" });
  await words.fill("bog.example/snipe");
  // What is missing is said beside its field, and nothing typed is lost.
  await suggest.click();
  await expect(phone.getByText("Give your name, or what you are called here.")).toBeVisible();
  await phone.getByLabel("Your name").fill("Ada");
  await suggest.click();
  await expect(phone.getByText("Thank you. It waits for a look now.")).toBeVisible();
  // The name is known from then on.
  await words.fill("On the long path, at the second bridge.");
  await suggest.click();
  await expect(phone.getByRole("listitem")).toHaveCount(2);
  await phone.getByLabel("Photo or file").setInputFiles({
    name: "heard.txt",
    mimeType: "text/plain",
    buffer: Buffer.from("Seven of them, 4 May."),
  });
  await suggest.click();
  await expect(phone.getByRole("listitem")).toHaveCount(3);
  expect(await axe(phone)).toEqual([]);

  // It has come in by itself; by keys from one to the next.
  await expect(page.getByRole("heading", { name: "3 waiting" })).toBeVisible();
  await expect(page.getByText("heard.txt")).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.getByLabel("What you accept goes to").selectOption({ label: "At dusk" });
  await page.getByRole("button", { name: "Accept: bog.example/snipe" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Accept: On the long path" })).toBeFocused();
  await page.getByRole("button", { name: "More for On the long path" }).click();
  await page.getByRole("menuitem", { name: "Decline with a word …" }).click();
  // Left again, the keys are where they were.
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "More for On the long path" })).toBeFocused();
  await page.keyboard.press("Enter");
  await page.getByRole("menuitem", { name: "Decline with a word …" }).click();
  await page.getByLabel("A word to Ada").fill("Which of the two bridges?");
  await page.getByRole("dialog").getByRole("button", { name: "Decline" }).click();
  await expect(page.getByRole("heading", { name: "1 waiting" })).toBeVisible();
  // Undone, it waits again.
  await page.getByRole("button", { name: "Accept: heard.txt" }).click();
  await expect(page.getByRole("heading", { name: "Nothing waits" })).toBeVisible();
  await page.keyboard.press("Control+z");
  await page.getByRole("button", { name: "Accept: heard.txt" }).click();
  await expect(page.getByRole("heading", { name: "Nothing waits" })).toBeVisible();
  await page.getByRole("link", { name: "To the collection" }).click();
  await expect(page.getByText("Suggested by Ada.")).toHaveCount(2);

  // They see what became of it, here and at their own address.
  await phone.reload();
  await expect(phone.getByText("Which of the two bridges?")).toBeVisible();
  const own = await phone.getByRole("link", { name: "your own address" }).getAttribute("href");
  const elsewhere = await (await browser.newContext()).newPage();
  await elsewhere.goto(own!);
  await expect(elsewhere.getByText("It is in")).toHaveCount(2);
  await context.close();
});

test("a class adds: let in at once, each under a name, and the projector shows them as they arrive, until it is stopped", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Tove Fen");
  const { collection } = await act("collections.make", { team, title: "What lives here?" });
  const { link } = await act("suggestions.set-page", { collection: collection.id, letsIn: true });
  await page.goto(`/team/${team}/suggestions/${collection.id}/wall`);
  await expect(page.getByText("Nothing yet")).toBeVisible();
  expect(await axe(page)).toEqual([]);
  const suggest = async (name: string, words: string) => {
    const hand = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await hand.goto(`/s/${link}`);
    await hand.getByLabel("A web address, or your words").fill(words);
    await hand.getByLabel("Your name").fill(name);
    await hand.getByRole("button", { name: "Suggest it" }).click();
    await expect(hand.getByText("Thank you. It is on its way in.")).toBeVisible();
    return hand;
  };
  await suggest("Nora", "A raft spider");
  const late = await suggest("Bo", "Cotton grass");
  const rows = page.getByRole("region", { name: "What came" }).getByRole("listitem");
  await expect(rows).toHaveText(["BoCotton grass", "NoraA raft spider"]);
  await page.getByRole("button", { name: "By name" }).click();
  await expect(rows.first()).toContainText("Bo");
  await page.getByRole("button", { name: "Stop adding" }).click();
  await expect(page.getByText("Closed: nothing more is taken.")).toBeVisible();
  // Who was writing just then is told, and keeps what they wrote.
  const words = late.getByLabel("A web address, or your words");
  await words.fill("Sundew");
  await late.getByRole("button", { name: "Suggest it" }).click();
  await expect(late.getByText("This is closed just now: nothing more is taken.")).toBeVisible();
  await expect(words).toHaveValue("Sundew");
  await page.goto(`/bench/${collection.id}`);
  await expect(page.getByText("Suggested by Nora.")).toBeVisible();
});
