import { axe } from "./axe";
import { at, expect, newcomer, test } from "./hands";

test("how mixed the sources of a collection are is said in words, compared, and each bar leads to its items", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Tuuli Mixes");
  const { collection } = await act("collections.make", { team, title: "Week one" });
  const places = [
    "peat-notebook/many/1",
    "peat-notebook/many/2",
    "peat-notebook/many/3",
    "moor-sounds/dawn-east-basin",
  ];
  for (const place of places)
    await act("capture.address", { team, address: at(place), collection: collection.id, section: null });
  await act("capture.address", { team, address: at("heath-library/guides/citing"), section: null });
  await page.goto(`/team/${team}/mix`);
  const sites = page.getByRole("region", { name: "Sites" });
  await sites.getByText("As a table").click();
  await expect(sites.getByRole("row")).toHaveCount(3);
  await page.getByLabel("Sources of").selectOption({ label: "Week one" });
  await expect(page).toHaveURL(/of=/);
  await expect(sites.getByText("As mixed as 1.8 sites in equal parts.")).toBeVisible();
  await page.getByLabel("Compared with").selectOption({ label: "the whole catalogue" });
  await expect(sites.getByText("The whole catalogue: As mixed as 2.6 sites in equal parts.")).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await sites.locator(".recharts-bar-rectangle").first().click();
  const list = page.getByRole("list", { name: /^Of peat-notebook/ });
  await expect(list.getByRole("listitem")).toHaveCount(3);
  expect(await axe(page)).toEqual([]);
  await page.getByRole("button", { name: "Close" }).click();
  await page.setViewportSize({ width: 390, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
});
