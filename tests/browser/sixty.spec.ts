import type { Page } from "@playwright/test";
import { SITES } from "../../standin/web/sites";
import { at, expect, items, signIn, test } from "./hands";

/** A change made by a request of the page itself, to set the scene. */
const post = (page: Page, name: string, input: object) =>
  page.evaluate(
    async ([name, input]) => {
      const answer = await fetch(`/api/actions/${name as string}`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(input),
      });
      if (!answer.ok) throw new Error(await answer.text());
      return (await answer.json()) as unknown;
    },
    [name, input] as const,
  );

/** Sixty things in the Tray: pages, videos and recordings of the small web, notes, books. */
async function fillTray(page: Page, team: string): Promise<void> {
  const pages = SITES.flatMap(({ host, pages }) => pages.map((one) => at(`${host}${one.path}`))).slice(0, 42);
  expect(pages).toHaveLength(42);
  for (const address of pages) await post(page, "capture.address", { team, address });
  for (let i = 1; i <= 10; i++)
    await post(page, "capture.note", { team, text: `Note ${i} from the walk along the boards` });
  for (let i = 1; i <= 8; i++)
    await post(page, "capture.work", { team, type: "book", title: `Field book, volume ${i}` });
}

type Standing = {
  sections: { id: string; title: string }[];
  items: { section: string | null; context: string; look: string; resource: { id: string; title: string } }[];
};

test("a tray of sixty mixed things becomes three ordered, explained collections, by keyboard alone", async ({
  browser,
}) => {
  const page = await signIn(browser, "bett");
  const { teams } = (await (await page.request.get("/api/actions/teams.read")).json()) as {
    teams: { id: string; own: boolean }[];
  };
  const team = teams.find((one) => one.own)!.id;
  await page.goto(`/team/${team}`);
  await fillTray(page, team);
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  const command = async (words: string) => {
    await press("Control+k");
    await expect(page.getByPlaceholder("Find anything, go anywhere")).toBeFocused();
    await page.keyboard.type(words);
    await press("Enter");
  };
  const supply = page.locator("[data-supply]");
  const words = () => items(page).evaluateAll((rows) => rows.map((row) => row.getAttribute("aria-label")!));

  for (const [n, [title, ground]] of (
    [
      ["Before the field day", "What everybody reads first"],
      ["At the bog", "To have in the bag"],
      ["Back at school", "Two by two, then all together"],
    ] as const
  ).entries()) {
    await command(n === 0 ? "Make a collection" : "New collection beside this one");
    await expect(page.getByLabel("Title", { exact: true })).toBeFocused();
    await page.keyboard.type(title);
    await press("Enter");
    await expect(page.getByRole("dialog")).toHaveCount(0);
    await expect(page.getByRole("heading", { level: 1, name: title })).toBeAttached();
    await expect(page.getByText("Nothing stands here yet")).toBeVisible();

    // Over to the supply; twenty in a row are chosen and placed. The focus stays among what still waits.
    await expect(supply.first()).toBeVisible();
    await press("v");
    await expect(supply.first().getByRole("button").first()).toBeFocused();
    await press("Shift+PageDown", ...Array<string>(9).fill("Shift+ArrowDown"));
    await expect(page.getByText("place 20")).toBeVisible();
    await press("ArrowRight");
    await expect(
      page.getByRole("tab", { name: n < 2 ? `Tray ${40 - 20 * n}` : "Tray", exact: true }),
    ).toBeVisible();
    if (n < 2) await expect(page.locator("[data-supply] button:focus")).toHaveCount(1);

    // Back to what is made: the last is brought to the front, said in words why it stands there.
    await press("v");
    await expect(page.locator("[data-item]:focus")).toHaveCount(1);
    await press("End");
    const last = page.locator("[data-item]:focus");
    await expect(last).toHaveAttribute("aria-label", /^20\. /);
    const first = (await last.getAttribute("data-item"))!;
    // Where it would land and where it went are in sight, and it keeps the focus.
    await press("l", "Home");
    await expect(page.locator("[data-landing]")).toBeInViewport();
    await press("l");
    await expect(page.locator("[data-item]:focus")).toHaveAttribute("aria-label", /^1\. /);
    await expect(page.locator("[data-item]:focus")).toHaveAttribute("data-item", first);
    await expect(page.locator("[data-item]:focus")).toBeInViewport();
    await press("c");
    await expect(page.getByLabel("Context: why it stands here")).toBeFocused();
    await page.keyboard.type(`${ground}.`);
    await press("Escape");
    await expect.poll(async () => (await words())[0]).toBe(`1. ${ground}.`);

    // A text that leads on, and a section for the second half.
    await press("w");
    await expect(page.getByRole("textbox", { name: "Text", exact: true })).toBeFocused();
    await press("Control+a");
    await page.keyboard.type("Then choose two of these.");
    await press("Escape");
    await expect(items(page).nth(1)).toContainText("Then choose two of these.");
    await press("n");
    await expect(page.getByLabel("Name of the section")).toBeFocused();
    await press("Control+a");
    await page.keyboard.type("For those who want more");
    await press("Enter");
    await expect(page.locator("[data-item]:focus")).toHaveCount(1);
    await press("End", ...Array<string>(9).fill("Shift+ArrowUp"), "m");
    await expect(page.getByRole("combobox", { name: "Where to" })).toBeFocused();
    await page.keyboard.type("who want");
    await expect(page.getByRole("option")).toHaveText([/who want more/, "Make “who want” here"]);
    await press("Enter");
    await expect(page.getByText("Moved 10 items.").last()).toBeVisible();
    await press("Control+z");
    await press("Control+Shift+z");

    const id = page.url().split("/").at(-1)!;
    const read = async () => {
      const answer = await page.request.get(`/api/actions/collections.read?collection=${id}`);
      return (await answer.json()) as Standing;
    };
    await expect
      .poll(async () => {
        const { items, sections } = await read();
        const more = sections.find((one) => one.title === "For those who want more")?.id;
        return items.filter((item) => item.section === more).length;
      })
      .toBe(10);
    const { items: placed } = await read();
    expect(placed.filter((item) => item.look === "item")).toHaveLength(20);
    expect(placed[0]).toMatchObject({ context: `${ground}.` });
    expect(placed[1]).toMatchObject({ look: "text" });
  }

  // Nothing waits, nothing is lost, nothing stands twice.
  const tree = await page.request.get(`/api/actions/collections.tree?team=${team}`);
  const { collections } = (await tree.json()) as { collections: { id: string; title: string }[] };
  const all: string[] = [];
  for (const { id, title } of collections) {
    if (!["Before the field day", "At the bog", "Back at school"].includes(title)) continue;
    const answer = await page.request.get(`/api/actions/collections.read?collection=${id}`);
    const { items } = (await answer.json()) as Standing;
    all.push(...items.filter((item) => item.look === "item").map((item) => item.resource.id));
  }
  expect(all).toHaveLength(60);
  expect(new Set(all).size).toBe(60);
  const tray = await page.request.get(`/api/actions/tray.read?team=${team}`);
  expect(((await tray.json()) as { count: number }).count).toBe(0);
});
