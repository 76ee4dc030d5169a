import { axe } from "./axe";
import { at, expect, items, newcomer, test } from "./hands";

const PAGES = [
  "acrotelm",
  "hummock-hollow",
  "ten-myths",
  "drainage-history",
  "wet-bog-carbon",
  "bog-in-winter",
];

test("what waits is gone through one by one: a key a thing, and undo brings it back", async ({ browser }) => {
  const { page, team, act } = await newcomer(browser, "Maarja Pihl");
  const { collection } = await act("collections.make", { team, title: "Week 1" });
  // Things like them stand in the collection already.
  await act("capture.address", {
    team,
    address: at("peat-notebook/methane-question"),
    collection: collection.id,
  });
  for (const name of PAGES) await act("capture.address", { team, address: at(`peat-notebook/${name}`) });
  await page.goto(`/team/${team}/tray`);
  await expect(page.getByRole("button", { name: "Waiting 6" })).toBeVisible();
  await expect(page.getByText("6 pages")).toBeVisible();
  await page.keyboard.press("w");
  await expect(page.getByRole("article", { name: /^1 of 6/ })).toBeVisible();
  await expect(page.getByRole("button", { name: /Week 1/ })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("article", { name: /^2 of 6/ })).toBeVisible();
  await page.keyboard.press("p");
  await expect(page.getByRole("article", { name: /^3 of 6/ })).toBeVisible();
  await page.keyboard.press("u");
  await page.keyboard.type("the newsletter");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("article", { name: /^4 of 6/ })).toBeVisible();
  await page.keyboard.press("Delete");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("article", { name: /^6 of 6/ })).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await page.getByRole("button", { name: "Back to the Tray" }).click();
  await expect(page.getByRole("button", { name: "Waiting 2" })).toBeVisible();
  await page.getByRole("button", { name: "Still to use 1" }).click();
  await expect(page.getByRole("heading", { name: /^For the newsletter/ })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  // What was deleted comes back with undo, and waits again.
  await page.getByRole("button", { name: "Waiting 2" }).click();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("button", { name: "Waiting 3" })).toBeVisible();
  await page.goto(`/bench/${collection.id}`);
  await expect(items(page)).toHaveCount(2);
});

test("something is kept for a collection, stands there as a ghost, and is placed", async ({ browser }) => {
  const { page, team, act } = await newcomer(browser, "Aivar Sepp");
  const { collection } = await act("collections.make", { team, title: "Newsletter" });
  await act("capture.address", { team, address: at("peat-notebook/ten-myths") });
  await page.goto(`/team/${team}/tray`);
  await page.getByRole("button", { name: /Ten myths/ }).click();
  await page.keyboard.press("u");
  await page.getByRole("dialog").getByRole("option", { name: "Newsletter" }).click();
  await expect(page.getByRole("button", { name: "Still to use 1" })).toBeVisible();
  await page.goto(`/bench/${collection.id}`);
  const ghost = page.getByRole("region", { name: "Still to use here" });
  await expect(ghost).toContainText("Ten myths");
  await ghost.getByRole("button", { name: /^Place/ }).click();
  await expect(items(page)).toHaveCount(1);
  await expect(ghost).toHaveCount(0);
});

test("what fits into some minutes is read one after the other, and what was opened is looked at", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Tiina Rebane");
  for (const name of PAGES) await act("capture.address", { team, address: at(`peat-notebook/${name}`) });
  await expect
    .poll(async () => {
      const { kinds } = await act<{ kinds: { minutes: number }[] }>("tray.read", { team, state: "waiting" });
      return kinds.reduce((sum, one) => sum + one.minutes, 0);
    })
    .toBeGreaterThan(30);
  await page.goto(`/team/${team}/tray`);
  await page.getByLabel("I have").fill("15");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/^\d in 15 min$/)).toBeVisible();
  await page.getByRole("link", { name: "Read them" }).click();
  await page.waitForURL(/\/read\//);
  await expect(page.getByRole("button", { name: /^Next of/ })).toBeVisible();
  // By now it is the page of the first one, and not the Tray any more.
  const first = await page.getByRole("heading", { level: 1 }).textContent();
  await page.keyboard.press("n");
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText(first!);
  await page.keyboard.press("p");
  await page.goto(`/team/${team}/tray`);
  await expect(page.getByRole("button", { name: "Looked at 1" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Put away 1" })).toBeVisible();
});
