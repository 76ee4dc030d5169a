import { SITES } from "../../standin/web/sites";
import { at, expect, items, paste, signUp, test, words, share } from "./hands";

/**
 * A gesture is a key or chord, a press, a drag, a drop or a paste; letters typed into a field count nothing. Twenty links,
 * put into order with ten context lines, shared: docs/bench.md has the number.
 */
const GESTURES = 25;

test("the newcomer’s hour: sign up, twenty links, an order, ten context lines, shared, read on a phone", async ({
  page,
  browser,
}) => {
  await page.goto("/sign-in");
  await expect(page.getByText(/gather links, videos and documents/)).toBeVisible();
  await signUp(page, "Noor Haddad");

  // The box has the focus: a name makes a collection.
  let gestures = 0;
  const press = (...keys: string[]) =>
    keys.reduce(
      (before, key) => before.then(() => (gestures++, page.keyboard.press(key))),
      Promise.resolve(),
    );
  await expect(page.getByLabel("Name a collection, or paste links")).toBeFocused();
  await page.keyboard.type("What a bog does");
  await press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "What a bog does" })).toBeAttached();

  const links = SITES.flatMap(({ host, pages }) => pages.map((one) => at(`${host}${one.path}`))).slice(0, 20);
  gestures++;
  await paste(page, links.join("\n"));
  const go = page.getByRole("dialog").getByRole("button", { name: /^Bring in 20/ });
  await expect(go).toBeFocused();
  await press("Enter");
  await expect.poll(async () => (await words(page)).length).toBeGreaterThan(5);
  await expect(page.getByText("20 items")).toBeVisible();

  // Over to what is made; the last first, and the third of these two down.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await press("v");
  await expect(page.locator("[data-item]:focus")).toHaveCount(1);
  await press("End");
  await expect(page.locator("[data-item]:focus")).toHaveAttribute("aria-label", /^20\. /);
  // By itself, not by its title: that may be arriving just now.
  const last = (await page.locator("[data-item]:focus").getAttribute("data-item"))!;
  await press("l", "Home", "l");
  await expect(page.locator("[data-item]:focus")).toHaveAttribute("aria-label", /^1\. /);
  await expect(page.locator("[data-item]:focus")).toHaveAttribute("data-item", last);
  await press("ArrowDown", "Alt+ArrowDown", "Alt+ArrowDown", "Home");

  await press("c");
  for (let n = 1; n <= 10; n++) {
    await expect(page.getByLabel("Context: why it stands here")).toHaveValue("");
    await page.keyboard.type(`Reason ${n}`);
    await press("Enter");
    await expect.poll(() => words(page)).toContain(`Reason ${n}`);
  }
  await page.keyboard.press("Escape");

  gestures++;
  await page.getByRole("link", { name: "Publish" }).click();
  gestures++;
  const link = await share(page);
  expect(gestures).toBe(GESTURES);

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const reader = await phone.newPage();
  await reader.goto(link);
  await expect(reader.getByRole("heading", { name: "What a bog does" })).toBeVisible();
  await expect(reader.locator(".item")).toHaveCount(20);
  await expect(reader.locator(".item").first()).toContainText("Reason 1");
});

test("a collection to try comes with one press and goes with one; nothing of it is left", async ({
  page,
  browser,
}) => {
  await page.goto("/sign-in");
  await signUp(page, "Kaja Lind");
  const desk = page.url();
  await page.getByRole("button", { name: "Try with that" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "To try: a walk on the moss" })).toBeAttached();
  await expect(items(page)).toHaveCount(6);
  await page.goto(desk);
  await page.getByRole("button", { name: "Let it go" }).click();
  await expect(page.getByRole("button", { name: "Try with that" })).toBeVisible();
  await page.goto(`${desk}/catalogue`);
  await expect(page.getByText("The catalogue is empty")).toBeVisible();

  // Every empty place does its first step, on a phone too.
  const phone = await browser.newContext({
    ...{ storageState: await page.context().storageState() },
    ...{ viewport: { width: 390, height: 844 }, hasTouch: true },
  });
  const small = await phone.newPage();
  for (const [place, step] of [
    ["", "Choose files"],
    ["/tray", "Bring in"],
    ["/catalogue", "Bring in"],
    ["/collections", "Make a collection"],
    ["/tags", "Tag things in the Catalogue"],
    ["/mail", "Get an address"],
    ["/rules", "Make the first rule"],
    ["/imports", "Bring in a file of links"],
  ] as const) {
    await small.goto(`${desk}${place}`);
    const main = small.locator("main");
    await expect(main.getByText(step, { exact: true }).first()).toBeInViewport();
  }
});
