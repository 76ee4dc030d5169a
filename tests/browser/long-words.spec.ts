import type { Page } from "@playwright/test";
import { expect, newcomer, test } from "./hands";

/** As many letters as a field takes, with no place to break a line at. */
const long = (most: number) => "Hochmoorwiedervernässung".repeat(30).slice(0, most);
const RTL = "المستنقع في الشتاء ".repeat(12).trim();
const MARKUP = `<script>document.title="taken"</script><b onmouseover="x">"Bog" & 'fen'</b>`;

test("titles of 500 letters, from right to left, with markup: whole on every page, nothing runs over, nothing runs", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Ling Heath");
  const make = async (title: string, parent?: string) =>
    (await act("collections.make", { team, title, parent })).collection.id;
  const course = await make(long(200));
  const week = await make(RTL.slice(0, 200), course);
  await make(MARKUP, course);
  await act("collections.edit", { collection: course, description: long(2_000), language: "de" });
  const { section } = await act("sections.make", { collection: course, title: long(200) });
  for (const [heading, context] of [
    [long(300), long(1_000)],
    [RTL.slice(0, 300), RTL],
    [MARKUP, MARKUP],
  ] as const) {
    const work = { team, type: "book", title: long(500), authors: [long(200)], description: long(1_000) };
    for (const collection of [course, week]) {
      const at = collection === course ? { section: section.id } : {};
      const placed = {
        collection,
        ...at,
        address: `https://${"a".repeat(60)}.example/${"b".repeat(500)}/${heading.length}`,
      };
      const { item } = await act("capture.work", { ...work, ...placed });
      await act("placements.edit", { placement: item.id, heading, context });
    }
  }
  await act("collections.use", { collection: course, use: "newsletter" });
  const { code } = await act("share.set", { collection: course, audience: "link", reach: "all" });
  await act("editions.keep", { collection: course, words: long(300) });
  await act("collections.edit", { collection: course, title: long(150) });
  await act("editions.keep", { collection: course, words: MARKUP });

  const reader = await (await browser.newContext({ viewport: { width: 320, height: 800 } })).newPage();
  const fits = async (one: Page, address: string) => {
    await one.goto(address);
    await expect(one.locator("h1").first(), address).toBeAttached();
    const over = await one.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over, `${address} runs over by ${over}`).toBeLessThanOrEqual(0);
    expect(await one.title(), address).not.toBe("taken");
  };
  const views = ["rows", "cards", "board", "table", "steps"].map((view) => `?view=${view}`);
  const pages = ["/paper", "/editions", "/e/1", "/e/2/changes", `/in/${week}`, "/join", ...views];
  for (const address of pages) await fits(reader, `/c/${code}${address}`);
  // Every letter is there.
  await reader.goto(`/c/${code}`);
  await expect(reader.locator("h1")).toHaveText(long(150));
  await expect(reader.locator(".what").first()).toHaveText(long(300));
  await expect(reader.locator(".what").nth(2)).toHaveText(MARKUP);

  // And for those who make it.
  await page.setViewportSize({ width: 390, height: 800 });
  const own = ["newsletter", ""].map((part) => `/publish/${course}/${part}`.replace(/\/$/, ""));
  for (const address of [`/bench/${course}`, `/team/${team}`, `/team/${team}/collections`, ...own])
    await fits(page, address);
});
