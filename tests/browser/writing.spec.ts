// By one person whom nobody disturbs: what is undone by key in another file is what its person did last.
import { drawn, expect, items, openCopy, paste, signIn, test, words, share } from "./hands";

test("what leads from one to the next: text between, an introduction, a description with marks; readers see it", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await openCopy(page, "Week 3: the water table");
  await page.keyboard.press("1");
  await items(page).first().focus();
  await page.keyboard.press("w");
  await page.getByRole("textbox", { name: "Text", exact: true }).fill("Now put the map away.");
  await page.keyboard.press("Escape");
  await expect(items(page).nth(1)).toContainText("Now put the map away.");
  // It is no item: the numbers go on past it.
  await expect(items(page).nth(2)).toHaveAttribute("aria-label", /^2\. /);
  await page.getByRole("button", { name: "What to do with the section At the bog" }).click();
  await page.getByRole("menuitem", { name: "Write an introduction" }).click();
  const intro = page.getByRole("textbox", { name: "Introduction of At the bog" });
  await intro.fill("Two by two");
  await page.keyboard.press("ControlOrMeta+a");
  await page.getByRole("button", { name: "Bold" }).click();
  await page.keyboard.press("Escape");
  const written = page.locator("strong", { hasText: "Two by two" });
  await expect(written).toBeVisible();

  // The words stay while the editor comes.
  await page.reload();
  const menu = page.getByRole("button", { name: "What to do with the section At the bog" });
  await menu.click();
  let come = () => {};
  const coming = new Promise<void>((resolve) => (come = resolve));
  await page.route("**/_next/static/chunks/*", async (route) => {
    await coming;
    await route.continue();
  });
  await page.getByRole("menuitem", { name: "Change the introduction" }).click();
  await expect(page.getByRole("menu")).toHaveCount(0);
  await expect(written).toBeVisible();
  await expect(intro).toHaveCount(0);
  come();
  await expect(intro).toBeFocused();
  await page.keyboard.press("End");
  await page.keyboard.type(" along the boards");
  await page.keyboard.press("Escape");
  // No moment shows the old ones.
  expect(await page.locator("strong", { hasText: "Two by two" }).textContent()).toContain("along the boards");
  await page.getByRole("link", { name: "Publish" }).click();
  const link = await share(page);
  const reader = await (await browser.newContext()).newPage();
  for (const kind of ["rows", "steps", "board"]) {
    await reader.goto(`${link}?view=${kind}`);
    await expect(reader.getByText("Now put the map away.")).toBeVisible();
    await expect(reader.locator("strong", { hasText: "Two by two" })).toBeVisible();
  }
});

test("what was just moved stays moved, and who writes goes on writing, whatever is heard and scrolled meanwhile", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea", { viewport: { width: 1280, height: 560 } });
  await openCopy(page, "Week 3: the water table");
  await page.keyboard.press("1");
  // The move is on its way for as long as the test likes; what others do is heard before it arrives.
  let arrive = () => {};
  const arrived = new Promise<void>((resolve) => (arrive = resolve));
  await page.route("**/api/actions/placements.move", async (route) => {
    await arrived;
    await route.continue();
  });
  const last = items(page).last();
  await items(page).first().focus();
  await page.keyboard.press("End");
  await expect(last).toBeFocused();
  const [moved, name] = [await last.getAttribute("data-item"), (await words(page)).at(-1)!];
  for (const key of ["l", "Home", "l"]) await page.keyboard.press(key);
  await expect.poll(async () => (await words(page))[0]).toBe(name);
  const heard: string[] = [];
  page.on("response", (answer) => heard.push(new URL(answer.url()).pathname.split("/").at(-1)!));
  await page.request.post("/api/actions/placements.edit", {
    data: { placement: moved, heading: "Said by somebody else" },
  });
  await expect.poll(() => heard).toContain("collections.some-items");
  await drawn(page);
  expect(heard).not.toContain("placements.move");
  expect((await words(page))[0]).toBe(name);
  await expect(items(page).first()).toBeFocused();

  await page.keyboard.press("c");
  const context = page.getByLabel("Context: why it stands here");
  await expect(context).toBeFocused();
  // It goes on behind what stands there.
  await page.keyboard.type(" Two by ");
  arrive();
  await expect(items(page).first()).toContainText("Said by somebody else");
  await expect(context).toBeFocused();
  // Letters that meet no field would be keys of the Bench: W writes a text, N makes a section.
  await page.locator("[data-making]").evaluate((list) => (list.scrollTop = list.scrollHeight));
  await expect(context).not.toBeInViewport();
  await page.keyboard.type("two, now");
  await expect(context).toHaveValue(`${name} Two by two, now`);
  await page.keyboard.press("Escape");
  await expect.poll(async () => (await words(page))[0]).toBe(`${name} Two by two, now`);
  expect(await items(page).first().getAttribute("data-item")).toBe(moved);

  // Taken out by somebody else while one writes: the next letters are no keys, and what was written is there to copy.
  const read = async () => {
    const collection = page.url().split("/").at(-1);
    const answer = await page.request.get(`/api/actions/collections.read?collection=${collection}`);
    const { items, sections } = (await answer.json()) as { items: unknown[]; sections: unknown[] };
    return { items: items.length, sections: sections.length };
  };
  const before = await read();
  await page.keyboard.press("c");
  await expect(context).toBeFocused();
  await page.keyboard.type(" for a while");
  await page.request.post("/api/actions/placements.remove", { data: { placement: moved } });
  await expect(async () => {
    await page.keyboard.type("wn");
    await expect(context).toHaveCount(0, { timeout: 50 });
  }).toPass();
  await page.keyboard.type("wn and so on");
  await expect(page.getByRole("listitem").filter({ hasText: "Not saved: “" })).toBeVisible();
  await drawn(page);
  // Nothing was opened to write in, and nothing was made.
  expect(await page.evaluate(() => document.activeElement!.tagName)).not.toMatch(/INPUT|TEXTAREA/);
  expect(await read()).toEqual({ ...before, items: before.items - 1 });
});

test("what one has typed is not lost: refused, out of reach, left at once", async ({ browser }) => {
  const page = await signIn(browser, "rhea");
  await openCopy(page, "Week 1: what a bog is");
  await page.keyboard.press("1");
  const first = items(page).first();

  // Out of reach: what is written and pasted waits in the browser, over a reload too, and goes when Hobbin is back.
  const away = /\/api\/actions\/(placements\.edit|capture\.address)$/;
  await page.route(away, (route) => route.abort());
  await first.focus();
  await page.keyboard.press("c");
  await page.getByLabel("Context: why it stands here").fill("Bring boots");
  await page.keyboard.press("Escape");
  const toast = page.getByRole("listitem").filter({ hasText: "Hobbin cannot be reached just now" });
  await expect(toast).toContainText("What you did last waits in this browser");
  await expect(first).toContainText("Bring boots");
  await paste(page, "https://waits.example/for-it");
  await expect(toast).toContainText("2 things you did wait");
  await page.reload();
  await expect(toast).toContainText("2 things you did wait");
  await expect(first).not.toContainText("Bring boots");
  await page.unroute(away);
  await page.evaluate(() => window.dispatchEvent(new Event("online")));
  await expect(page.getByText("Hobbin is back. Everything has been sent.")).toBeVisible();
  await expect(first).toContainText("Bring boots");
  await expect(items(page).filter({ hasText: "waits.example" })).toHaveCount(1);

  // Refused: it stays where it was typed, with the reason beside.
  await page.keyboard.press("4");
  await page.getByRole("button", { name: /^Order:/ }).click();
  await page.getByRole("menuitem", { name: "Date", exact: true }).click();
  await page.keyboard.press("Escape");
  const date = first.locator("[data-cell=published]");
  await date.dblclick();
  await page.getByRole("textbox", { name: "Date" }).fill("last spring");
  await page.keyboard.press("Enter");
  await expect(date).toContainText("last spring");
  await expect(date.getByRole("alert")).toContainText("Not saved.");
  await expect(date).toBeFocused();
  await page.keyboard.press("Enter");
  const field = page.getByRole("textbox", { name: "Date" });
  await expect(field).toHaveValue("last spring");
  await field.fill("2026-03");
  await page.keyboard.press("Enter");
  await expect(date).toHaveText("2026-03");

  // Left before the pause after which it is saved.
  await page.keyboard.press("1");
  await first.focus();
  await page.keyboard.press("h");
  await page.getByLabel("Heading here").fill("Read before we go out");
  await page.reload();
  await expect(first).toContainText("Read before we go out");
});

test("renamed where it stands: a long name is there whole, and the old one is not seen again", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea", { viewport: { width: 390, height: 844 } });
  await openCopy(page, "Week 1: what a bog is");
  const title = page.getByRole("textbox", { name: "Title of the collection" });
  const long = "What a bog is, how it grew, and whatthewaterhastodowithallofthis in each of the four weeks";
  // Before the page is alive nothing is saved; then what is pasted in two lines is one.
  await expect(async () => {
    await title.fill(long.replace("grew, ", "grew,\n"));
    expect(await title.inputValue()).toBe(long);
  }).toPass();
  const seen = await page.evaluateHandle(() => {
    const seen = new Set<string>();
    const look = () => {
      seen.add(
        document.querySelector<HTMLTextAreaElement>("textarea[aria-label='Title of the collection']")!.value,
      );
      requestAnimationFrame(look);
    };
    look();
    return seen;
  });
  await title.press("Enter");
  const collection = page.url().split("/").at(-1);
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/actions/collections.read?collection=${collection}`);
      return ((await answer.json()) as { collection: { title: string } }).collection.title;
    })
    .toBe(long);
  await drawn(page);
  expect(await seen.evaluate((all) => [...all])).toEqual([long]);
  // No line of it is hidden; a descender may reach a little below its line.
  const hidden = await title.evaluate((box) => box.scrollHeight - box.clientHeight);
  expect(hidden).toBeLessThan(5);
});

test("ten context lines in eleven gestures, each in its row, without the mouse", async ({ browser }) => {
  const page = await signIn(browser, "ama");
  await openCopy(page, "Week 3: the water table");
  await page.keyboard.press("1");
  await items(page).first().focus();
  await expect(page.getByRole("button", { name: "T tag", exact: true })).toBeVisible();
  let gestures = 0;
  const press = (key: string) => (gestures++, page.keyboard.press(key));
  await press("c");
  for (let n = 1; n <= 10; n++) {
    const line = page.getByLabel("Context: why it stands here");
    await expect(line).toHaveCount(1);
    await page.keyboard.press("Control+a");
    await page.keyboard.type(`For the ${n}th hour`);
    await press("Enter");
  }
  expect(gestures).toBe(11);
  await page.keyboard.press("Escape");
  const eleventh = (await page.locator("[data-item]:focus").getAttribute("aria-label"))!;
  expect(eleventh).toMatch(/^11\. (?!For the)/);
  await page.keyboard.press("Home");
  const written = Array.from({ length: 10 }, (_, i) => `For the ${i + 1}th hour`);
  await expect.poll(async () => (await words(page)).slice(0, 10)).toEqual(written);
  await page.reload();
  await expect.poll(async () => (await words(page)).slice(0, 10)).toEqual(written);
  // What has none shows where it would stand; a press writes there.
  await paste(page, "https://without-words.example/");
  await page.getByRole("button", { name: "Why does it stand here?" }).click();
  await page.keyboard.type("By hand");
  await page.keyboard.press("Escape");
  await expect(items(page).filter({ hasText: "By hand" })).toBeFocused();
});
