import type { Page } from "@playwright/test";
import { at, drawn, expect, items, makeCollection, paste, placeIt, signIn, test } from "./hands";

test("what one does is on the other's screen with no reload, and after a break", async ({ browser }) => {
  const ama = await signIn(browser, "ama");
  await makeCollection(ama, "Side by side");
  const rhea = await signIn(browser, "rhea");
  // Being offline ends no stream that stands; here it is ended as by a connection that breaks.
  await rhea.addInitScript(() => {
    const streams: EventSource[] = [];
    window.EventSource = class extends EventSource {
      constructor(...asked: ConstructorParameters<typeof EventSource>) {
        super(...asked);
        streams.push(this);
      }
    };
    Object.assign(window, { streams });
  });
  await rhea.goto(ama.url());
  await expect(rhea.getByText("Nothing stands here yet")).toBeVisible();
  await expect(ama.getByText("Rhea Tammik is here")).toBeAttached();

  await paste(ama, at("mosskey/key/start"));
  await placeIt(ama, "Start the key");
  await expect(items(rhea).filter({ hasText: "Start the key" })).toBeVisible();
  await paste(ama, at("mosskey/cotton-grass"));
  await placeIt(ama, "Cotton-grass");
  await expect(items(rhea)).toHaveCount(2);

  await items(rhea).last().focus();
  await rhea.keyboard.press("Alt+ArrowUp");
  await expect(items(ama).first()).toContainText("Cotton-grass");
  await ama.getByLabel("Title of the collection").fill("Hand in hand");
  await ama.keyboard.press("Enter");
  await expect(rhea.getByRole("heading", { level: 1, name: "Hand in hand" })).toBeAttached();

  // Both write at once, on different fields of the same item: both stay.
  for (const [page, key, label, text] of [
    [ama, "c", "Context: why it stands here", "From Ama"],
    [rhea, "h", "Heading here", "From Rhea"],
  ] as const) {
    await items(page).first().focus();
    await page.keyboard.press(key);
    await page.getByLabel(label).fill(text);
  }
  for (const page of [ama, rhea]) {
    await expect(items(page).first()).toContainText("From Ama");
    await expect(items(page).first()).toContainText("From Rhea");
  }

  // A dropped connection catches up.
  await rhea.context().setOffline(true);
  await rhea.evaluate(() => {
    for (const stream of (window as unknown as { streams: EventSource[] }).streams) {
      stream.close();
      stream.dispatchEvent(new Event("error"));
    }
  });
  await paste(ama, at("mosskey/sundew"));
  await placeIt(ama, "Sundew");
  await expect(items(ama)).toHaveCount(3);
  await drawn(rhea);
  await expect(items(rhea)).toHaveCount(2);
  await rhea.context().setOffline(false);
  await expect(items(rhea)).toHaveCount(3);
});

test("two write in one text: both are kept, and in the same place one is asked", async ({ browser }) => {
  const ama = await signIn(browser, "ama");
  await makeCollection(ama, "In one line");
  const rhea = await signIn(browser, "rhea");
  await rhea.goto(ama.url());
  await paste(ama, "https://one-line.example/sphagnum");
  const open = async (page: Page) => {
    await items(page).first().focus();
    await page.keyboard.press("Enter");
    const field = page.getByLabel("Context: why it stands here");
    await field.focus();
    await expect(field).toBeFocused();
    return field;
  };
  const amas = await open(ama);
  await amas.fill("Look at this before we go out on Monday");
  await expect(items(rhea).first()).toContainText("on Monday");
  const rheas = await open(rhea);
  await expect(rheas).toHaveValue("Look at this before we go out on Monday");

  // In different places, at the same moment.
  await Promise.all([
    amas.fill("Look at this twice before we go out on Monday"),
    rheas.fill("Look at this before we go out on Monday. Bring boots."),
  ]);
  const both = "Look at this twice before we go out on Monday. Bring boots.";
  for (const page of [ama, rhea]) await expect(items(page).first()).toContainText(both);
  // The field of who goes on writing is left alone; once left, it shows what stands there.
  await rhea.keyboard.press("Tab");
  await expect(rheas).toHaveValue(both);

  // In the same place: what came first stands, the other is asked and has lost nothing.
  await ama.keyboard.press("Tab");
  let release = () => undefined as void;
  const held = new Promise<void>((resolve) => (release = resolve));
  await rhea.route("**/api/actions/placements.edit", (route) => held.then(() => route.continue()));
  const asks = rhea.waitForRequest("**/api/actions/placements.edit");
  await rheas.fill(both.replace("Monday", "Friday"));
  await asks;
  await amas.fill(both.replace("Monday", "Tuesday"));
  await expect(items(ama).first()).toContainText("Tuesday");
  release();
  const asked = rhea.getByRole("alert").filter({ hasText: "Somebody else changed the same words meanwhile" });
  await expect(asked).toContainText(both.replace("Monday", "Tuesday"));
  await expect(rheas).toHaveValue(both.replace("Monday", "Friday"));
  await expect(items(rhea).first()).toContainText("Tuesday");
  expect(await rhea.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  if (process.env.SHOTS) await rhea.screenshot({ path: "/tmp/clash.png" });
  await asked.getByRole("button", { name: "Put mine behind theirs" }).click();
  await expect(asked).toHaveCount(0);
  for (const page of [ama, rhea])
    await expect(items(page).first()).toContainText(
      `${both.replace("Monday", "Tuesday")}\n${both.replace("Monday", "Friday")}`,
    );
});
