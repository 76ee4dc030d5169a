import type { Browser, Page } from "@playwright/test";
import { axe } from "./axe";
import { at, expect, newcomer, test } from "./hands";

const HOLDS = "Sphagnum holds twenty times its weight in water, and lets it go slowly.";
const PEAT = "The peat below it is older than any church in the valley.";
const COPY = `<h2>Water</h2><p>${HOLDS}</p><p>${PEAT}</p>`;

/** The words that are painted in a layer of the page. */
const painted = (page: Page, layer: string) =>
  page.evaluate(
    (name) => [...(CSS.highlights.get(`hobbin-${name}`) ?? [])].map((range) => String(range)),
    layer,
  );

/** A paragraph of the text itself, not of what is quoted beside it. */
const paragraph = (page: Page, words: string) => page.locator(".reading").getByText(words);

/** A team with a text, its owner, and a colleague; both have the text open. */
async function twoReaders(browser: Browser) {
  const mari = await newcomer(browser, "Mari Tamm");
  const { team } = await mari.act<{ team: { id: string } }>("teams.make", { name: "Margins" });
  const { resource } = await mari.act<{ resource: { id: string } }>("capture.address", {
    team: team.id,
    address: at("peat-notebook/wet-bog-carbon"),
  });
  const write = (html: string) =>
    mari.act("resources.paste-text", { resource: resource.id, text: "x", html });
  await write(COPY);
  const { invitation } = await mari.act<{ invitation: { code: string } }>("invitations.make", {
    team: team.id,
    role: "contributor",
  });
  const joel = await newcomer(browser, "Joel Saar");
  await joel.act("invitations.accept", { code: invitation.code });
  for (const { page } of [mari, joel]) {
    await page.goto(`/read/${resource.id}`);
    await expect(page.getByText("Select words to mark them")).toBeVisible();
  }
  return { mari, joel, write, team: team.id, resource: resource.id };
}

test("a passage is marked with a note; a colleague sees and finds it, and it stands there when the page is another one", async ({
  browser,
}) => {
  const { mari, joel, write } = await twoReaders(browser);
  // Three presses select a paragraph; a key marks it, and what is typed is the note.
  await paragraph(mari.page, HOLDS).click({ clickCount: 3 });
  await expect(mari.page.getByRole("group", { name: "Mark what is selected" })).toBeVisible();
  await mari.page.keyboard.press("m");
  const note = mari.page.getByLabel("Note in the margin");
  await expect(note).toBeFocused();
  await mari.page.keyboard.type("Ask about the bergmehl");
  expect(await painted(mari.page, "tint-plain")).toEqual([HOLDS]);
  await mari.page.keyboard.press("Escape");

  const theirs = joel.page.getByRole("group", { name: /^Mark of Mari Tamm/ });
  await expect(theirs).toContainText("Ask about the bergmehl");
  expect(await painted(joel.page, "tint-plain")).toEqual([HOLDS]);
  // They write on in it; both have all of it.
  await paragraph(joel.page, HOLDS).click();
  await joel.page.getByLabel("Note in the margin").press("End");
  await joel.page.keyboard.type(" by the dam");
  await joel.page.keyboard.press("Escape");
  await expect(note).toHaveValue("Ask about the bergmehl by the dam");

  await joel.page.keyboard.press("Control+k");
  await joel.page.getByPlaceholder("Find anything, go anywhere").fill("bergmehl");
  await expect(joel.page.getByRole("option").filter({ hasText: "Ask about the bergmehl" })).toBeVisible();
  await joel.page.keyboard.press("Escape");

  await write(`<p>Read this in peace.</p><p>${PEAT}</p><p>${HOLDS.replace("twenty", "up to twenty")}</p>`);
  await expect
    .poll(() => painted(joel.page, "tint-plain"))
    .toEqual([HOLDS.replace("twenty", "up to twenty")]);
  await write("<p>We have moved.</p>");
  await expect(joel.page.getByRole("heading", { name: "Place lost" })).toBeVisible();
  await expect(theirs.locator("blockquote")).toContainText(HOLDS);
  await expect(theirs).toContainText("Ask about the bergmehl by the dam");
  expect(await axe(joel.page)).toEqual([]);
});

test("what marks mean is named, chosen by a number, and narrows; private ones are one's own; what is taken away comes back", async ({
  browser,
}) => {
  const { mari, joel } = await twoReaders(browser);
  const { page } = mari;
  await page.getByRole("button", { name: "What our marks mean" }).click();
  for (const name of ["claim", "doubt"]) {
    await page.getByLabel("One more").fill(name);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("dialog").getByRole("listitem").filter({ hasText: name })).toBeVisible();
  }
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await page.keyboard.press("Escape");

  await paragraph(page, PEAT).click({ clickCount: 3 });
  const strip = page.getByRole("group", { name: "Mark what is selected" });
  await expect(strip.getByRole("button", { name: /^doubt/ })).toBeVisible();
  await page.keyboard.press("2");
  await expect(page.getByRole("group", { name: /^doubt of you/ })).toBeVisible();
  await paragraph(page, HOLDS).click({ clickCount: 3 });
  await page
    .getByRole("button", { name: /^For the team/ })
    .first()
    .click();
  await page.keyboard.press("m");
  await page.keyboard.type("For myself");
  await expect(page.getByText("2 marks")).toBeVisible();

  // The other one has the team's, live, and not what is private.
  await expect(joel.page.getByRole("group", { name: /^doubt of Mari Tamm/ })).toBeVisible();
  await expect(joel.page.getByText("1 mark", { exact: true })).toBeVisible();
  await expect(joel.page.getByText("For myself")).toHaveCount(0);

  await page.getByRole("button", { name: /^doubt 1/ }).click();
  expect(await painted(page, "tint-plain")).toEqual([]);
  await page.getByText("2 marks").click();
  await page.getByRole("group", { name: /^doubt of you/ }).focus();
  await page.keyboard.press("Delete");
  await expect(page.getByText("1 mark", { exact: true })).toBeVisible();
  await page.getByText("1 taken away").click();
  await page.getByRole("button", { name: "Bring back" }).click();
  await expect(page.getByText("2 marks")).toBeVisible();
  await page.getByRole("group", { name: /^doubt of you/ }).focus();
  expect(await axe(page)).toEqual([]);
});

test("on a phone a mark is made and read at the foot of the screen", async ({ browser }) => {
  const { page, team, act } = await newcomer(browser, "Ilse Kask", {
    viewport: { width: 390, height: 780 },
    hasTouch: true,
  });
  const { resource } = await act<{ resource: { id: string } }>("capture.address", {
    team,
    address: at("peat-notebook/wet-bog-carbon"),
  });
  await act("resources.paste-text", { resource: resource.id, text: "x", html: COPY });
  await page.goto(`/read/${resource.id}`);
  await paragraph(page, PEAT).click({ clickCount: 3 });
  await page.getByRole("button", { name: /^Mark/ }).click();
  await page.getByLabel("Note in the margin").fill("By the dam");
  await paragraph(page, HOLDS).click();
  await expect(page.getByLabel("Note in the margin")).toHaveCount(0);
  await paragraph(page, PEAT).click();
  await expect(page.getByLabel("Note in the margin")).toHaveValue("By the dam");
  expect(await axe(page)).toEqual([]);
});

test("who has no pointer marks by sentences, goes through the notes, and back to the text", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Uku Mets");
  const { resource } = await act<{ resource: { id: string } }>("capture.address", {
    team,
    address: at("peat-notebook/wet-bog-carbon"),
  });
  await act("resources.paste-text", { resource: resource.id, text: "x", html: COPY });
  await page.goto(`/read/${resource.id}`);
  await expect(page.getByText("Select words to mark them")).toBeVisible();
  const selected = () => page.evaluate(() => String(getSelection()));
  await page.keyboard.press(".");
  await expect.poll(selected).toBe("Water");
  await page.keyboard.press(".");
  await expect.poll(selected).toBe(HOLDS);
  await page.keyboard.press("m");
  await page.keyboard.type("First");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await page.keyboard.press(".");
  await page.keyboard.press(".");
  await page.keyboard.press(".");
  await expect.poll(selected).toBe(PEAT);
  await page.keyboard.press("m");
  await page.keyboard.type("Second");
  await page.keyboard.press("Escape");
  await page.keyboard.press("ArrowUp");
  await expect(page.getByLabel("Note in the margin")).toHaveValue("First");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await page.keyboard.type(" thoughts");
  await expect(page.getByLabel("Note in the margin")).toHaveValue("Second thoughts");
});
