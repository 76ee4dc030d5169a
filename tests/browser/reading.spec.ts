import { readFileSync } from "node:fs";
import { TEXTS } from "../reference/marks/texts";
import { axe } from "./axe";
import { at, expect, items, newcomer, signIn, test } from "./hands";

const LONG = Array.from(
  { length: 12 },
  (_, i) =>
    `<h2>Part ${i + 1}</h2>${`<p>${`Entry ${i + 1} of the log, and what the water did. `.repeat(12)}</p>`.repeat(4)}`,
).join("");

test("how one likes to read holds on the next device, and so does where one was", async ({ browser }) => {
  const { page, team, act, context } = await newcomer(browser, "Leena Aas");
  const { resource } = await act<{ resource: { id: string } }>("capture.address", {
    team,
    address: at("peat-notebook/wet-bog-carbon"),
  });
  await act("resources.paste-text", { resource: resource.id, text: "x", html: LONG });
  await page.goto(`/read/${resource.id}`);
  await page.getByText("How it reads").click();
  for (const words of ["Larger", "Narrow", "Warm", "Without"])
    await page.getByText(words, { exact: true }).click();
  await page.getByRole("group", { name: "Space between letters and lines" }).getByText("Wide").click();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await page.getByText("Contents", { exact: true }).click();
  await page.getByRole("button", { name: "Part 7" }).click();
  await expect(page.getByText(/min from here/)).toBeVisible();

  const other = await browser.newContext({
    viewport: { width: 390, height: 780 },
    storageState: await context.storageState(),
  });
  const phone = await other.newPage();
  await expect(async () => {
    await phone.goto(`/read/${resource.id}`);
    const part = phone.locator(".reading p").filter({ hasText: "Entry 7 of" }).first();
    await expect(part).toBeInViewport({ timeout: 2_000 });
  }).toPass();
  await expect(phone.locator("article[data-size=larger][data-width=narrow][data-face=sans]")).toBeVisible();
  // Nothing is cut off by the widest spaces, on the smallest screen.
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await axe(phone)).toEqual([]);
  await phone.getByRole("button", { name: "to the beginning" }).click();
  await phone.getByText("How it reads").click();
  for (const words of ["Largest", "Dark"])
    await expect(phone.getByText(words, { exact: true })).toBeInViewport({ ratio: 1 });
  await phone.keyboard.press("Escape");
  await expect(phone.getByRole("heading", { level: 1 })).toBeInViewport();
});

test("in a long text a link leads to a mark far down, and its note stands beside its words", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Ilme Kask");
  const paragraphs = Array.from(
    { length: 700 },
    (_, i) => `Day ${i}.${" The water stood in the moss.".repeat(12)}`,
  );
  const { resource } = await act<{ resource: { id: string } }>("capture.note", { team, text: "The log" });
  await act("resources.paste-text", {
    ...{ resource: resource.id, text: "x" },
    html: paragraphs.map((one) => `<p>${one}</p>`).join(""),
  });
  const { number } = (await (
    await page.request.get(`/api/actions/resources.text?resource=${resource.id}`)
  ).json()) as { number: number };
  const text = paragraphs.join("\n");
  const add = async (day: number) => {
    const start = text.indexOf(`Day ${day}.`);
    const end = start + `Day ${day}. The water`.length;
    const selector = { type: "TextQuoteSelector", exact: text.slice(start, end), prefix: "", suffix: "" };
    const mark = { resource: resource.id, private: false, selector, start, end, version: number };
    return (await act<{ mark: { id: string } }>("marks.add", { ...mark, note: `Note of ${day}` })).mark.id;
  };
  for (let day = 5; day < 600; day += 10) await add(day);
  const far = await add(650);
  await page.goto(`/read/${resource.id}#mark-${far}`);
  const words = page.locator(".reading p").filter({ hasText: "Day 650." });
  const note = page.locator(`[data-note="${far}"]`);
  await expect(words).toBeInViewport();
  await expect(note).toBeInViewport();
  // Once what was scrolled over is laid out.
  await expect
    .poll(async () => Math.abs((await note.boundingBox())!.y - (await words.boundingBox())!.y))
    .toBeLessThan(30);
  // Of sixty-one those near the screen have their cards, each with its number; from one the arrows go to the next,
  // however far it is.
  const cards = page.getByRole("list", { name: "Marks in the margin" }).getByRole("listitem");
  await expect(cards.last()).toHaveAttribute("aria-posinset", "61");
  await expect(cards.last()).toHaveAttribute("aria-setsize", "61");
  expect(await cards.count()).toBeLessThan(20);
  await note.locator("[data-mark]").focus();
  await page.keyboard.press("ArrowUp");
  await expect(page.locator(".reading p").filter({ hasText: "Day 595." })).toBeInViewport();
  await expect(page.locator("[data-note]:focus-within")).toContainText("Note of 595");
  await page.keyboard.press("ArrowUp");
  await expect(page.locator("[data-note]:focus-within")).toContainText("Note of 585");
  await page.keyboard.press("Escape");
  // What is scrolled to has its notes there.
  await page.evaluate(() => document.querySelector("#main")!.scrollTo({ top: 600 }));
  await expect(page.locator('[data-note][aria-posinset="1"]')).toBeInViewport();
  await expect(cards.first()).toContainText("Note of 5");
  await page.reload();
  await expect(words).toBeInViewport();
});

test("a copy that gave way is there, is compared, and is used again", async ({ browser }) => {
  const { page, team, act } = await newcomer(browser, "Oskar Lepp");
  const { resource } = await act<{ resource: { id: string } }>("capture.address", {
    team,
    address: at("peat-notebook/wet-bog-carbon"),
  });
  for (const html of ["<p>The dam held all winter.</p>", "<p>The dam broke in winter.</p>"])
    await act("resources.paste-text", { resource: resource.id, text: "x", html });
  await page.goto(`/read/${resource.id}`);
  await page.getByText(/cop(y|ies) before it/).click();
  // The page itself was read, too, and stands beside what was pasted by hand.
  const pasted = page.getByRole("listitem").filter({ hasText: "pasted by hand" });
  await pasted.getByRole("button", { name: "Look at it" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.locator("del")).toContainText(["held all"]);
  await expect(dialog.locator("ins")).toContainText(["broke in"]);
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("button", { name: "Use this one" }).click();
  await expect(page.locator(".reading").getByText("The dam held all winter.")).toBeVisible();
});

test("the marks of a collection stand on one page, are taken along, and become its items", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  const { results } = await page.evaluate(
    async (team) =>
      (await (
        await fetch("/api/actions/search.find", {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({ team, query: "Ten myths about bogs" }),
        })
      ).json()) as { results: { places: { collection: string }[] }[] },
    /team\/([\w-]+)/.exec(page.url())![1]!,
  );
  const collection = results[0]!.places.find(Boolean)!.collection;
  await page.goto(`/bench/${collection}/marks`);
  await expect(page.getByRole("region", { name: "Ten myths about bogs" })).toContainText("fed by rain");
  await page.getByLabel("Gathered").selectOption("By what they mean");
  await expect(page.getByRole("region", { name: "for the exam" })).toContainText("fed by rain");
  const [saved] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Web annotations" }).click(),
  ]);
  expect(saved.suggestedFilename()).toMatch(/^Marks in .*\.jsonld$/);
  expect(await axe(page)).toEqual([]);
  await page.getByLabel("Gathered").selectOption("Questions by sources");
  await expect(page.getByRole("columnheader", { name: "for the exam" })).toBeVisible();
  await expect(page.getByRole("row", { name: /^Ten myths about bogs/ })).toContainText("fed by rain");
  const [table] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Document (DOCX)" }).click(),
  ]);
  expect(table.suggestedFilename()).toMatch(/^Evidence in .*\.docx$/);
  expect(
    readFileSync(await table.path())
      .subarray(0, 2)
      .toString(),
  ).toBe("PK");
  expect(await axe(page)).toEqual([]);
  // A mark leads to its place.
  await page.getByRole("link", { name: /fed by rain/ }).click();
  await expect(page.locator("[data-mark]").filter({ hasText: "in their sleep" }).first()).toBeInViewport();
});

test("on through a collection without going back; a passage begins a context line; what makes a text hard is shown", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Signe Oja");
  const { collection } = await act<{ collection: { id: string } }>("collections.make", {
    team,
    title: "Reading list",
  });
  const texts = [`<h2>Dams</h2><p>${TEXTS.en}</p>`, "<p>The next text.</p>"];
  for (const [i, html] of texts.entries()) {
    const { resource } = await act<{ resource: { id: string } }>("capture.work", {
      ...{ team, type: "report", title: `Report ${i + 1}`, address: `https://on.example/${i}` },
      collection: collection.id,
    });
    await act("resources.paste-text", { resource: resource.id, text: "x", html });
  }
  await page.goto(`/bench/${collection.id}`);
  await items(page)
    .filter({ hasText: "Report 1" })
    .getByRole("button", { name: /What to do with/ })
    .click();
  await page.getByRole("menuitem", { name: "Read it here" }).click();
  await expect(page.getByRole("navigation", { name: "Collection" })).toContainText("Reading list · 1 of 2");

  await page.getByText("How hard it is to read").click();
  await expect(page.getByText(/by Reading ease \(Flesch 1948\)/)).toBeVisible();
  await page.getByLabel(/^\d sentences of 25 words and more$/).check();
  expect(
    await page.evaluate(() =>
      [...(CSS.highlights.get("hobbin-long-sentence") ?? [])].map((range) => String(range).slice(0, 27)),
    ),
  ).toContain("Since the ditches were clos");
  expect(await axe(page)).toEqual([]);

  await page.keyboard.press("Escape");
  await page.locator(".reading").click();
  // The heading first, and then the first sentence.
  await page.keyboard.press(".");
  await page.keyboard.press(".");
  await page.getByRole("button", { name: "Into the context line" }).click();
  await expect(page.getByText("In its context line in Reading list.")).toBeVisible();
  await page.keyboard.press("n");
  await expect(page.getByRole("heading", { name: "Report 2" })).toBeVisible();
  await expect(page.getByRole("link", { name: /Before it/ })).toBeVisible();
  await page.getByRole("navigation", { name: "Collection" }).getByRole("link").click();
  await expect(
    page.getByText(
      "“The field station stands on the edge of a raised bog that was cut for fuel until the war.”",
    ),
  ).toBeVisible();
});

test("from what was found one reads on where the words stand, and is told when they do so no more", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Maarit Oja");
  const STOOD = " The water stood in the moss.".repeat(5);
  const odd = new Map([
    [20, " Two of us mended the hurdles."],
    [130, " Somebody had opened the sluice at Vellamo."],
  ]);
  const paragraphs = Array.from({ length: 160 }, (_, i) => `Day ${i}.${STOOD}${odd.get(i) ?? ""}${STOOD}`);
  const { resource } = await act<{ resource: { id: string } }>("capture.note", { team, text: "The log" });
  const paste = (words: readonly string[]) =>
    act("resources.paste-text", {
      ...{ resource: resource.id, text: words.join("\n") },
      html: words.map((one) => `<p>${one}</p>`).join(""),
    });
  await paste(paragraphs);
  await page.goto(`/team/${team}/catalogue`);
  const asked = () =>
    page.evaluate(() => [...(CSS.highlights.get("hobbin-asked") ?? [])].map((range) => String(range)).join());
  const words = page.locator(".reading p").filter({ hasText: "Day 130." });
  const expectThere = async () => {
    await expect(words).toBeInViewport();
    await expect(words).toBeFocused();
    expect(await asked()).toContain("the sluice at Vellamo.");
  };
  await page.getByRole("searchbox", { name: "Find in the catalogue" }).fill("vellamo");
  await page.getByRole("link", { name: "Read on in The log" }).click();
  await expectThere();

  await page.keyboard.press("Control+k");
  await page.keyboard.type("hurdles");
  await page.getByRole("option", { name: /The log/ }).click();
  await expect(page.locator(".reading p").filter({ hasText: "Day 20." })).toBeFocused();
  expect(await asked()).toContain("mended the hurdles");
  await page.goBack();
  await expectThere();
  // The same words again are gone to again.
  await page.locator("#main").evaluate((main) => main.scrollTo(0, 0));
  await page.keyboard.press("Control+k");
  await page.keyboard.type("vellamo");
  await page.getByRole("option", { name: /The log/ }).click();
  await expectThere();

  await paste(paragraphs.filter((_, i) => i !== 130));
  await page.reload();
  await expect(page.getByText("Those words do not stand in this copy any more.")).toBeVisible();
  expect(await asked()).toBe("");
});
