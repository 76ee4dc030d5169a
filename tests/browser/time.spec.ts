import { axe } from "./axe";
import { expect, newcomer, test } from "./hands";

test("a week that takes too long is made to fit: two ways with what goes and why, taken in one step and back", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Aino Fits");
  const { collection } = await act("collections.make", { team, title: "Week one" });
  const note = (title: string, words: number) =>
    act<{ resource: { id: string } }>("capture.note", {
      ...{ team, title, text: `${title} ${"bog ".repeat(words)}`, collection: collection.id, section: null },
    });
  // 10, 20 and 30 minutes at the pace of adults.
  for (const [title, words] of [
    ["How peat grows", 2_380],
    ["A year of water", 4_760],
    ["The long report", 7_140],
    ["A short word", 480],
  ] as const)
    await note(title, words);

  await page.goto(`/team/${team}/time`);
  await page.getByRole("link", { name: "Week one" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Week one" })).toBeVisible();
  await expect(page.getByRole("status").getByText("1 h 2 min", { exact: true })).toBeVisible();
  await page.getByLabel("Minutes there are").fill("45");
  await page.getByLabel("Minutes there are").press("Enter");
  await expect(page.getByText("17 min too long")).toBeVisible();
  await page.getByLabel("Minutes to work with it: A short word").fill("5");
  await page.getByLabel("Minutes to work with it: A short word").press("Enter");
  await expect(page.getByText("22 min too long")).toBeVisible();
  await page.getByLabel("Must stay: The long report").check();
  expect(await axe(page)).toEqual([]);

  await page.getByRole("button", { name: "Make it fit" }).click();
  await expect(page.getByText("The first of these is the best there is")).toBeVisible({ timeout: 60_000 });
  const first = page.getByRole("article").filter({ has: page.getByRole("heading", { name: "One way" }) });
  await expect(first).toContainText("40 min of 45 min");
  const goes = first.getByRole("list", { name: "What goes: One way" }).getByRole("listitem");
  await expect(goes).toHaveCount(2);
  await expect(goes.first()).toContainText("no time");
  // What must stay does in the other way, too.
  await expect(page.getByRole("article").nth(1)).not.toContainText("The long report");
  expect(await axe(page)).toEqual([]);

  await first.getByRole("button", { name: "Take this way" }).click();
  await expect(page.getByRole("heading", { level: 2, name: "If there is time" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Make it fit" })).toBeFocused();
  await expect(page.getByRole("status").getByText("40 min of 45 min", { exact: true })).toBeVisible();
  await page.getByRole("listitem").getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("heading", { level: 2, name: "If there is time" })).toHaveCount(0);
  await expect(page.getByText("22 min too long")).toBeVisible();

  // Slower readers need longer, and what is too much to stay is said plainly.
  await page.getByLabel("Who reads it").selectOption({ label: "9 to 10 years old (158 words a minute)" });
  await expect(page.getByRole("status").getByText("1 h 38 min of 45 min", { exact: true })).toBeVisible();
  await page.getByLabel("Who reads it").selectOption({ label: "words a minute of your own" });
  await page.getByLabel("Words of English a minute").fill("12");
  await page.getByLabel("Words of English a minute").press("Enter");
  await expect(page.getByText("A whole number from 40 to 600.")).toBeVisible();
  await page.getByLabel("Words of English a minute").fill("100");
  await page.getByLabel("Words of English a minute").press("Enter");
  await page.getByRole("button", { name: "Make it fit" }).click();
  await expect(
    page.getByText("What must stay takes 1 h 11 min, more than the 45 min there are."),
  ).toBeVisible();
});

test("the chart of a course says by colour, by pattern and in a table how long each week takes", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Oona Fits");
  const { collection: course } = await act("collections.make", { team, title: "Course" });
  for (const title of ["Week one", "Week two"]) {
    const { collection } = await act("collections.make", { team, title, parent: course.id });
    const text = `${title} ${"bog ".repeat(2_380)}`;
    await act("capture.note", { team, title, text, collection: collection.id, section: null });
    if (title === "Week two") await act("collections.edit", { collection: collection.id, aimMinutes: 8 });
  }
  await page.goto(`/team/${team}/time`);
  const row = page.getByRole("row", { name: /^Week two/ });
  await expect(row).toContainText("2 min too long");
  await expect(page.getByRole("status").getByText("20 min", { exact: true })).toBeVisible();
  await expect(page.getByText("in 2 collections · 1 too long")).toBeVisible();
  await page.locator(".recharts-bar-rectangle").first().click();
  await expect(page.getByRole("heading", { level: 1, name: "Week one" })).toBeVisible();
  await page.goBack();
  expect(await axe(page)).toEqual([]);
  await page.setViewportSize({ width: 390, height: 800 });
  await expect(row).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  expect(await axe(page)).toEqual([]);
});
