import type { Page } from "@playwright/test";
import { expect } from "./hands";

/** Brings a file in, and opens it. */
export async function readFile(page: Page, file: { name: string; mimeType: string; buffer: Buffer }) {
  await page.goto("/bring");
  await page.locator("input[type=file]").setInputFiles(file);
  await page.getByRole("button", { name: "Save" }).click();
  const address = await page.getByRole("link", { name: "Look at it" }).getAttribute("href");
  await expect(async () => {
    await page.goto(address!);
    await expect(page.locator("#main :is(audio, img[draggable=false], [data-page])").first()).toBeVisible({
      // The pages of a PDF come by a script of their own: looked at anew each second they are never there.
      timeout: 10_000,
    });
  }).toPass();
}
