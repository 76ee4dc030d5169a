import { at, expect, items, makeCollection, openCopy, paste, signIn, test } from "./hands";

/* What people do all day, with its gestures: a key or chord, a press, a drag, a drop or a paste; letters count nothing. */

test("a copy with other words: at most five gestures, and one is there to see it", async ({ browser }) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "For the second class");
  await page.goBack();
  await openCopy(page, "Week 1: what a bog is");
  await page.keyboard.press("1");
  await items(page).first().focus();
  let gestures = 0;
  const press = (key: string) => (gestures++, page.keyboard.press(key));
  await press("Shift+M");
  await page.keyboard.type("second class");
  await expect(page.getByRole("option").first()).toHaveText("For the second class");
  await press("Enter");
  // The words of here are there, chosen, so that others take their place.
  await expect(page.getByLabel("Why does it stand there?")).toHaveValue(/Let them guess/);
  await page.keyboard.type("Two of the ten are enough.");
  await press("Enter");
  gestures++;
  await page.getByRole("button", { name: "Go there" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "For the second class" })).toBeAttached();
  await expect(items(page)).toContainText("Two of the ten are enough.");
  expect(gestures).toBeLessThanOrEqual(5);
});

test("a course of unit and week in eight gestures", async ({ browser }) => {
  const page = await signIn(browser, "ama");
  let gestures = 0;
  const press = (key: string) => (gestures++, page.keyboard.press(key));
  const named = async (title: string) => {
    await expect(page.getByRole("dialog").getByLabel("Title")).toBeFocused();
    await page.keyboard.type(title);
    await press("Enter");
    await expect(page.getByRole("heading", { level: 1, name: title })).toBeAttached();
  };
  gestures++;
  await page.getByRole("button", { name: "New collection" }).click();
  await named("Course of the gestures");
  for (const title of ["Unit 1: by hand", "Week 1: at once"]) {
    await press("Control+k");
    await page.keyboard.type("new collection in");
    await expect(page.getByRole("option", { name: "New collection in this one" })).toHaveAttribute(
      "aria-selected",
      "true",
    );
    await press("Enter");
    await named(title);
  }
  expect(gestures).toBe(8);
  // It is one length of cloth as soon as something is in it, also where only its children hold things.
  await paste(page, at("peat-notebook/many/3141"));
  await expect(items(page)).toHaveCount(1);
  await page.getByRole("link", { name: "Hobbin, to the Desk" }).click();
  const course = page.getByRole("listitem").filter({ hasText: "Course of the gestures" }).first();
  await expect(course).toContainText("1 unit, 1 week, 1 item");
  await course.getByRole("link", { name: "Week 1: at once" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Week 1: at once" })).toBeAttached();
  await page.goto(page.url().replace(/\?.*/, ""));
  await page.getByRole("link", { name: "Course of the gestures" }).click();
  await expect(page.getByRole("list").getByRole("link", { name: /Week 1: at once/ })).toBeVisible();
});

test("several are chosen by touch; what is done with them is said in the bar", async ({ browser }) => {
  const page = await signIn(browser, "ines", { hasTouch: true, viewport: { width: 390, height: 844 } });
  await openCopy(page, "Moss key for beginners");
  // What is said and touched stays, where the bar of several will be.
  await page.getByText("Made: Moss key for beginners (copy)").tap();
  await page.getByRole("radio", { name: "Rows" }).tap();
  await page.getByRole("button", { name: "Choose several" }).tap();
  for (const n of [0, 2]) await items(page).nth(n).locator("[data-number]").tap();
  const bar = page.getByRole("toolbar", { name: "What to do with the chosen items" });
  await expect(bar.getByText("2 chosen")).toBeVisible();
  await bar.getByRole("button", { name: "Tag", exact: true }).tap();
  // What is typed counts, without a comma behind it.
  await page.getByLabel("Tags to put on").fill("by touch");
  await page.getByRole("button", { name: "Tag them" }).tap();
  await expect(bar.getByText("Tagged 2 items.")).toBeVisible();
  await bar.getByRole("button", { name: "Undo" }).tap();
  await expect(page.getByText("by touch")).toHaveCount(0);

  // The device is turned, where both sides stand beside each other, and back: the side stays that is named.
  const sides = page.getByRole("navigation", { name: "Sides" });
  const sources = page.getByRole("region", { name: "Sources" });
  for (const side of ["Collection", "Sources"]) {
    await sides.getByRole("button", { name: side }).tap();
    await expect(sides.getByRole("button", { name: side })).toHaveAttribute("aria-current");
    await page.setViewportSize({ width: 844, height: 390 });
    await expect(sides).toBeHidden();
    await expect(sources).toBeInViewport();
    await page.setViewportSize({ width: 390, height: 844 });
    await expect(sides.getByRole("button", { name: side })).toHaveAttribute("aria-current");
    if (side === "Sources") await expect(sources).toBeInViewport();
    else await expect(sources).not.toBeInViewport();
  }
});

test("a slip in a word is forgiven, the seam keeps its place, and a table has the room to itself when nothing waits", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  // The page is seen long before its script is there, and it comes while somebody types: no letter is lost.
  await page.route("**/_next/static/chunks/*", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 4_000));
    await route.continue();
  });
  await page.reload({ waitUntil: "commit" });
  await page.getByRole("heading", { level: 1 }).first().waitFor();
  await page.keyboard.press("/");
  await page.keyboard.type("spagnum", { delay: 700 });
  await page.unrouteAll({ behavior: "wait" });
  await expect(page.getByRole("option", { name: "sphagnum", exact: true })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("option", { name: /Sphagnum|sphagnum/ }).nth(1)).toBeVisible();
  await page.keyboard.press("Escape");
  await openCopy(page, "Week 1: what a bog is");
  const seam = page.getByRole("separator", { name: "Width of the left side" });
  const before = Number(await seam.getAttribute("aria-valuenow"));
  await seam.focus();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await page.reload();
  await expect(seam).toHaveAttribute("aria-valuenow", String(before - 48));
  await page.keyboard.press("4");
  // Nothing waits for Rhea; what other walks brought in for her is put away.
  const team = new URL(page.url()).origin;
  const { teams } = (await (await page.request.get("/api/actions/teams.read")).json()) as {
    teams: { id: string; name: string }[];
  };
  const lantern = teams.find((one) => one.name === "Lantern Moss")!.id;
  const { entries } = (await (await page.request.get(`/api/actions/tray.read?team=${lantern}`)).json()) as {
    entries: { resource: { id: string } }[];
  };
  if (entries.length)
    await page.request.post("/api/actions/tray.set-many", {
      data: { team: lantern, resources: entries.map((one) => one.resource.id), state: "away" },
      headers: { origin: team },
    });
  await expect(page.getByRole("button", { name: "Show the sources (S)" })).toBeVisible();
});

test("everybody has a name that can be changed, and everything works from every screen", async ({
  browser,
}) => {
  const page = await signIn(browser, "ines");
  await page.goto("/account");
  await page.getByLabel("Your name, as others see it").fill("Inés Vaalu");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Inés Vaalu, account" })).toBeVisible();
  await page.getByLabel("Your name, as others see it").fill("Ines Vaalu");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Ines Vaalu, account" })).toBeVisible();
  // Outside of every team what is pasted waits in one's own Tray, and undo is heard there too.
  await page
    .locator("h1")
    .first()
    .evaluate(() => (document.activeElement as HTMLElement).blur());
  await paste(page, "https://pasted-on-account.example/");
  await page.getByRole("button", { name: "Open the Tray" }).click();
  await expect(page.getByRole("list", { name: "Tray" })).toContainText("pasted-on-account.example");
});
