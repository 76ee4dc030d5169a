import { axe } from "./axe";
import { at, expect, openCollection, newcomer, test } from "./hands";

const VTT = "WEBVTT\n\n00:00:00.000 --> 00:00:30.000\nThe water stands over the boards.\n";

test("a part of a film with its captions, and a portfolio of what is public: put in, read, played, closed", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Odile Marsh");
  const { id } = (await act("collections.make", { team, title: "Dams in autumn" })).collection;
  await act("capture.address", { team, collection: id, address: at("standing-water/watch/first-flood") });
  await openCollection(page, "Dams in autumn");

  // A part of the film, and what is said in it.
  const film = page.getByRole("row", { name: /The first flood after the dam/ }).first();
  await expect(film).toBeVisible({ timeout: 30_000 });
  await film.dblclick({ position: { x: 300, y: 4 } });
  const details = page.getByRole("gridcell", { name: /^Details of/ });
  await details.getByLabel("Begins here at").fill("0:6");
  await page.keyboard.press("Enter");
  await expect(details.getByText("Write a time as 1:35, or seconds as 95.")).toBeVisible();
  await details.getByLabel("Begins here at").fill("0:01");
  await page.keyboard.press("Enter");
  await details.getByLabel("Ends here at").fill("2:01");
  await page.keyboard.press("Enter");
  await expect(film).toContainText("2 min");
  const choose = async (content: string) => {
    const chooser = page.waitForEvent("filechooser");
    await details.getByRole("button", { name: "Add a file (.vtt, .srt)" }).click();
    await (await chooser).setFiles({ name: "dams.vtt", mimeType: "text/vtt", buffer: Buffer.from(content) });
  };
  await choose("What is said, without times");
  await expect(details.getByRole("alert")).toContainText(
    "Line 1 is neither captions in WebVTT nor in SubRip",
  );
  await choose(VTT);
  await expect(details.getByRole("link", { name: "Look at them" })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await act("share.set", { collection: id, audience: "public" });

  // The portfolio.
  const made = (await act("collections.make", { team, title: "What I do all year" })).collection.id;
  await openCollection(page, "What I do all year");
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "A portfolio" }).click();
  await page.getByRole("button", { name: "Put in collections" }).click();
  const dialog = page.getByRole("dialog", { name: "Public collections" });
  await dialog.getByLabel("Dams in autumn").check();
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole("button", { name: "Put it in" }).click();
  await expect(page.getByRole("row", { name: /Dams in autumn/ })).toBeVisible();
  const { code } = await act("share.set", { collection: made, audience: "public" });

  const reader = await (await browser.newContext()).newPage();
  await reader.goto(`/c/${code}`);
  const entry = reader.locator(".item").filter({ hasText: "Dams in autumn" });
  await expect(entry).toContainText("Collection");
  await expect(entry).toContainText("1 item, 2 min");
  expect(await axe(reader)).toEqual([]);
  await entry.getByRole("link").click();
  await expect(reader.locator(".item")).toContainText("0:01 to 2:01");
  await reader.getByRole("button", { name: "Play here" }).click();
  const video = reader.locator("video");
  await expect(video).toHaveAttribute("src", /#t=1,121$/);
  // The browser has read what is said.
  await expect
    .poll(() =>
      video.evaluate((one: HTMLVideoElement) => (one.textTracks[0]?.cues?.[0] as VTTCue | undefined)?.text),
    )
    .toBe("The water stands over the boards.");

  // Closed: it is not on the portfolio any more.
  await act("share.set", { collection: id, audience: "team" });
  await expect(async () => {
    await reader.goto(`/c/${code}`);
    await expect(entry).toHaveCount(0, { timeout: 200 });
  }).toPass({ timeout: 5_000 });
  await page.goto(`/publish/${made}`);
  await expect(page.getByText("1 inside is not shown to readers")).toBeVisible();
});
