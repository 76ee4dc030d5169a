import type { APIRequestContext, Browser, Page } from "@playwright/test";
import { axe } from "./axe";
import { codesOn, codesPrinted } from "./codes-on";
import { at, expect, signUp, test } from "./hands";

/** Does something as whoever is signed in. */
async function act<T>(request: APIRequestContext, name: string, data: object, origin: string): Promise<T> {
  const answer = await request.post(`/api/actions/${name}`, { data, headers: { origin } });
  expect(answer.status(), `${name}: ${await answer.text()}`).toBe(200);
  return (await answer.json()) as T;
}

type Made = { collection: { id: string } };

/** A person of their own with a course of a unit and two weeks, each with something in it. */
async function withCourse(browser: Browser) {
  const context = await browser.newContext({ permissions: ["clipboard-read", "clipboard-write"] });
  const page = await context.newPage();
  await page.goto("/");
  await signUp(page, "Sorrel Vance");
  const origin = new URL(page.url()).origin;
  const team = /team\/([\w-]+)/.exec(page.url())![1]!;
  const make = async (title: string, parent?: string) =>
    (await act<Made>(page.request, "collections.make", { team, title, parent }, origin)).collection.id;
  const course = await make("Bogs from above");
  const unit = await make("Unit 1: looking", course);
  const weeks = [await make("Week 1: the map", unit), await make("Week 2: the drone", unit)];
  for (const [i, collection] of weeks.entries())
    await act(
      page.request,
      "capture.address",
      { team, collection, address: at(`peat-notebook/water-table-graphs?week=${i}`) },
      origin,
    );
  return { page, context, course, weeks };
}

const clipboard = (page: Page) => page.evaluate(() => navigator.clipboard.readText());

test("a course goes out in two gestures and is read on a phone by its short code, in its own letters", async ({
  browser,
}) => {
  const { page, course, weeks } = await withCourse(browser);
  await page.goto(`/bench/${course}`);
  // The first gesture; the second one is the button that has the focus.
  await page.getByRole("link", { name: "Publish" }).click();
  const button = page.getByRole("button", { name: "Share and copy the address" });
  await expect(button).toBeFocused();
  await expect(page.getByText("1 unit, 2 weeks.")).toBeVisible();
  await expect(page.getByText("They see 2 items")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status").filter({ hasText: "The address is in your clipboard." })).toBeVisible();
  const link = await clipboard(page);
  // What is wished next is not what was done.
  await page.getByRole("radio", { name: "Team only" }).click();
  await expect(page.getByText("The address is in your clipboard.")).toHaveCount(0);
  await expect(page.getByText("As readers see it, until you stop sharing")).toBeVisible();
  await page.getByRole("radio", { name: "Whoever has the address" }).click();
  expect(link).toBe(await page.getByLabel("Address for readers").inputValue());
  expect(await axe(page, { without: "iframe" })).toEqual([]);

  // On the wall, for those in the last row.
  await page.keyboard.press("w");
  const wall = page.getByRole("dialog", { name: "Bogs from above" });
  const drawn = wall.getByRole("img", { name: "QR code that leads there" });
  await expect.poll(() => drawn.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(0);
  const code = (await page.getByLabel("Short code").textContent())!;
  await expect(wall.getByText(code)).toBeVisible();
  // As a phone in the last row sees it: the picture of the screen, read by a program nobody here wrote.
  expect(codesOn([await page.screenshot()])).toEqual([`${new URL(link).origin}/go/${code.replace(" ", "")}`]);
  await page.keyboard.press("Escape");
  await expect(wall).toHaveCount(0);

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const reader = await phone.newPage();
  const asked: string[] = [];
  reader.on("request", (request) => void (request.isNavigationRequest() && asked.push(request.url())));
  await reader.goto("/go");
  // A slip is said at once, before anybody is asked.
  const field = reader.getByLabel("Code");
  await field.fill(code.replace(/^./, code[0] === "b" ? "c" : "b"));
  await field.press("Enter");
  await expect(reader.getByText("There is a slip in it")).toBeVisible();
  expect(asked).toHaveLength(1);
  await field.fill(` ${code.toUpperCase()} `);
  await field.press("Enter");
  await expect(reader.getByRole("heading", { name: "Bogs from above" })).toBeVisible();
  expect(reader.url()).toBe(link);
  await expect(reader.locator(".facts")).toContainText("1 unit, 2 weeks, 2 items");
  await reader.evaluate(() => document.fonts.ready);
  const letters = () =>
    reader.evaluate(() => [...document.fonts].filter((face) => face.status === "loaded").map((face) => face.family.replaceAll('"', "")));
  await expect.poll(async () => new Set(await letters())).toEqual(new Set(["Literata", "Atkinson Hyperlegible Next"]));
  expect(await axe(reader)).toEqual([]);

  // Through all weeks as one way, and up again.
  await reader.getByRole("link", { name: /^Next/ }).click();
  await expect(reader.getByRole("heading", { level: 1 })).toHaveText("Unit 1: looking");
  await reader.getByRole("link", { name: /^Next/ }).click();
  await expect(reader.getByRole("heading", { level: 1 })).toHaveText("Week 1: the map");
  await reader.getByRole("navigation", { name: "Part of" }).getByRole("link", { name: "Bogs from above" }).click();
  expect(reader.url()).toBe(link);

  // Left out by one, gone for the others, and by its own address as well.
  await page.getByText("Leave some of it out").click();
  await page.getByRole("checkbox", { name: "Week 2: the drone" }).uncheck();
  await expect(page.getByText("They see 1 item,")).toBeVisible();
  await expect.poll(async () => (await reader.request.get(`${link}/in/${weeks[1]}`)).status()).toBe(404);
  const facts = async () => (await reader.reload(), reader.locator(".facts").textContent());
  await expect.poll(facts).toContain("1 unit, 1 week, 1 item");
}); // prettier-ignore

test("what a careful colleague would notice is mended where it is said; another address can be taken back", async ({
  browser,
}) => {
  const { page, weeks, context } = await withCourse(browser);
  await page.goto(`/publish/${weeks[0]}`);
  const noticed = page.getByRole("region", { name: "Before it goes out" });
  await noticed.getByText("1 does not say why it stands here").click();
  await noticed.getByLabel("Why does it stand here?").fill("The graph of the dry summer.");
  await page.keyboard.press("Enter");
  await expect(noticed.getByText("does not say why")).toHaveCount(0);
  await expect(page.frameLocator("iframe").getByText("The graph of the dry summer.")).toBeVisible();

  const main = page.getByRole("button", { name: "Share and copy the address" });
  await main.click();
  const address = page.getByLabel("Address for readers");
  await expect(address).toBeVisible();
  const before = await address.inputValue();
  await page.getByText("Replace the address").click();
  await page.getByRole("button", { name: "Replace it" }).click();
  await expect(address).not.toHaveValue(before);
  const visitor = await context.newPage();
  await expect.poll(async () => (await visitor.goto(before))!.status()).toBe(404);
  await page.getByRole("button", { name: "Take the old one back" }).click();
  await expect(address).toHaveValue(before);
  await expect.poll(async () => (await visitor.goto(before))!.status()).toBe(200);
});

test("every code on a printed sheet, at 150 dots an inch, is read back as the link beside it", async ({
  browser,
}) => {
  const { page, weeks } = await withCourse(browser);
  await page.goto(`/publish/${weeks[0]}`);
  await page.getByRole("button", { name: "Share and copy the address" }).click();
  const link = await page.getByLabel("Address for readers").inputValue();
  await page.goto(`${link}/paper?compact=1`);
  const read = codesPrinted(await page.pdf({ preferCSSPageSize: true })).flat();
  expect(read.sort()).toEqual([link, at("peat-notebook/water-table-graphs?week=0")].sort());
});

test("an edition is kept in two gestures, read at its own address, compared, withdrawn and brought back", async ({
  browser,
}) => {
  const { page, course, weeks } = await withCourse(browser);
  const origin = new URL(page.url()).origin;
  await page.goto(`/publish/${course}`);
  await page.getByRole("button", { name: "Share and copy the address" }).click();
  await expect(page.getByText("Shared. The address is in your clipboard.")).toBeVisible();
  const link = await clipboard(page);
  await page.getByText("Keep an edition", { exact: true }).click();
  await page.getByLabel("What is new in it").fill("Two weeks to begin with");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Edition 1 is kept.")).toBeVisible();
  await act(page.request, "collections.edit", { collection: weeks[0], title: "Week 1: the old map" }, origin);
  await expect(page.getByText("Since edition 1: 1 other wording")).toBeVisible();
  await page.getByRole("radio", { name: /The newest edition, now 1/ }).click();
  await expect(page.getByText("As readers see it: edition 1")).toBeVisible();
  const reader = await (await browser.newContext()).newPage();
  await reader.goto(link);
  await expect(reader.getByText("Two weeks to begin with")).toBeVisible();
  await expect(reader.getByRole("link", { name: "Week 1: the map" }).first()).toBeVisible();
  await page.getByRole("button", { name: "Keep edition 2" }).click();
  await expect(page.getByText("Edition 2 is kept.")).toBeVisible();
  await expect(async () => {
    await reader.reload();
    await expect(reader.getByRole("link", { name: "Week 1: the old map" }).first()).toBeVisible({
      timeout: 1_000,
    });
  }).toPass();
  await reader.getByRole("link", { name: "What changed" }).click();
  await expect(reader.getByRole("deletion")).toHaveText("Week 1: the map");
  expect(await axe(reader)).toEqual([]);
  await reader.getByRole("link", { name: "Editions" }).click();
  await reader.getByRole("link", { name: "Edition 1" }).click();
  await reader.getByRole("link", { name: "Week 1: the map" }).first().click();
  await expect(reader.getByRole("heading", { level: 1, name: "Week 1: the map" })).toBeVisible();
  expect(await axe(reader)).toEqual([]);
  await page.getByRole("button", { name: "What to do with edition 1" }).click();
  await page.getByRole("menuitem", { name: "Withdraw it from readers" }).click();
  await expect(page.getByText(/Edition 1, withdrawn on/)).toBeVisible();
  await expect(async () => {
    await reader.goto(`${link}/e/1`);
    await expect(reader.getByRole("heading", { name: "Edition 1 was withdrawn" })).toBeVisible({
      timeout: 1_000,
    });
  }).toPass();
  await reader.getByRole("link", { name: "Go to the collection" }).click();
  await page.getByRole("button", { name: "What to do with edition 1" }).click();
  await page.getByRole("menuitem", { name: "Bring it back as a new collection" }).click();
  await page.getByRole("button", { name: "Open it" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Bogs from above (edition 1)" })).toBeAttached();
});
