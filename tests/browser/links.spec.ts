import { axe } from "./axe";
import { at, expect, newcomer, test } from "./hands";

test("what has become of an address stands there with where it is, is mended with a key's worth of work, and taken back", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Eero Mends");
  const { collection } = await act("collections.make", { team, title: "Week one" });
  const bring = async (place: string) =>
    (
      await act<{ resource: { id: string } }>("capture.address", {
        ...{ team, address: at(place), collection: collection.id, section: null },
      })
    ).resource.id;
  const [gone, short] = [await bring("heath-library/gone"), await bring("peat-notebook/short")];
  await page.goto(`/team/${team}/links`);
  await expect(page.getByText("Nothing is watched yet")).toBeVisible();
  await act("links.look", { resource: gone });
  const isGone = page.getByRole("region", { name: /^Gone/ }).getByRole("listitem");
  await expect(isGone).toContainText("heath-library");
  await expect(isGone).toContainText("Week one");
  // Where something led when it was brought in is no news.
  await act("links.look", { resource: short });
  expect(await axe(page)).toEqual([]);

  await isGone.getByRole("button", { name: "Another address …" }).click();
  await isGone.getByLabel("Where it stands now").fill("not an address");
  await isGone.getByRole("button", { name: "Lead there" }).click();
  await expect(isGone.getByLabel("Where it stands now")).toHaveAttribute("aria-invalid", "true");
  await isGone.getByLabel("Where it stands now").fill(at("heath-library/guides/citing"));
  await isGone.getByRole("button", { name: "Lead there" }).click();
  await expect(page.getByText("Nothing is wrong")).toBeVisible();
  await page
    .getByRole("listitem")
    .filter({ hasText: "It leads there now." })
    .last()
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(isGone).toBeVisible();

  await isGone.getByRole("button", { name: "It is alright" }).click();
  await expect(isGone).toHaveCount(0);
  await page
    .getByRole("listitem")
    .filter({ hasText: "It is not shown any more" })
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(isGone).toBeVisible();
  await page.setViewportSize({ width: 390, height: 800 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  expect(await axe(page)).toEqual([]);
});
