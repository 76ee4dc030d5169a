import type { Page } from "@playwright/test";
import { expect } from "./hands";

/** Brings a file in, and opens it. */
export async function readFile(
  page: Page,
  team: string,
  file: { name: string; mimeType: string; buffer: Buffer },
) {
  await page.goto("/bring");
  await page.locator("input[type=file]").setInputFiles(file);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  const tray = (await (await page.request.get(`/api/actions/tray.read?team=${team}`)).json()) as {
    entries: { resource: { id: string; title: string } }[];
  };
  const { id } = tray.entries.find((one) => file.name.startsWith(one.resource.title))!.resource;
  await expect(async () => {
    await page.goto(`/read/${id}`);
    await expect(page.locator("#main :is(audio, img[draggable=false], [data-page])").first()).toBeVisible({
      // The pages of a PDF come by a script of their own: looked at anew each second they are never there.
      timeout: 10_000,
    });
  }).toPass();
}
