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

test("where a page stands now is looked for and taken with a press; a site that has moved is led there at once; both are taken back", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Wenna Seeks");
  const { collection } = await act("collections.make", { team, title: "Sounds" });
  const bring = async (place: string, title: string) => {
    const { resource } = await act<{ resource: { id: string } }>("capture.address", {
      ...{ team, address: at(place), collection: collection.id, section: null },
    });
    await act("resources.edit", { resource: resource.id, title });
    return resource.id;
  };
  const lost = await bring("moor-sounds/2019/curlew", "Curlew at dusk, east basin");
  await bring("moor-sounds/2019/under-the-ice", "Under the ice");
  for (let times = 0; times < 2; times++) await act("links.look", { resource: lost });
  await page.goto(`/team/${team}/links`);
  const row = page.getByRole("listitem").filter({ hasText: "2019/curlew" });
  await row.getByRole("button", { name: "Other ways" }).click();
  const found = row.getByRole("listitem").filter({ hasText: "on the same site" });
  // It is looked for by itself as soon as it is told; who cannot wait presses.
  await expect(found).toContainText("moor-sounds.localhost");
  expect(await axe(page)).toEqual([]);
  await found.getByRole("button", { name: "Lead there" }).click();
  await expect(page.getByText("Nothing is wrong")).toBeVisible();
  const undo = (words: string) =>
    page
      .getByRole("listitem")
      .filter({ hasText: words })
      .last()
      .getByRole("button", { name: "Undo" })
      .click();
  await undo("It leads there now.");
  await expect(row).toBeVisible();

  await page.getByRole("button", { name: "A site has moved …" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Its addresses began with").fill("nothing");
  await dialog.getByLabel("They begin now with").fill(at("moor-sounds/"));
  await dialog.getByRole("button", { name: "See what that leads where" }).click();
  await expect(dialog.getByLabel("Its addresses began with")).toHaveAttribute("aria-invalid", "true");
  await dialog.getByLabel("Its addresses began with").fill(at("moor-sounds/2019/"));
  await dialog.getByRole("button", { name: "See what that leads where" }).click();
  await expect(dialog.getByText("2 pages begin with that.")).toBeVisible();
  await dialog.getByRole("button", { name: "Try a few" }).click();
  await expect(dialog.getByText("Tried: “Under the ice” is there")).toBeVisible();
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("checkbox", { name: /Curlew/ }).uncheck();
  await dialog.getByRole("button", { name: "Lead 1 page there" }).click();
  await undo("1 item leads there now.");
  await page.goto("/");
  await page.getByRole("link", { name: "Mend the links" }).click();
  await expect(row).toBeVisible();
});
