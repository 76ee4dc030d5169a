import AxeBuilder from "@axe-core/playwright";
import { expect, items, openCopy, signIn, test } from "./hands";

test("a collection leaves as documents with a bibliography; one thing is cited in another style", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea", { permissions: ["clipboard-read", "clipboard-write"] });
  await openCopy(page, "Week 3: the water table");
  const id = /bench\/([\w-]+)/.exec(page.url())![1]!;

  // Cited: the menu, "Cite", and the key that copies.
  await items(page)
    .first()
    .getByRole("button", { name: /^What to do with/ })
    .click();
  await page.getByRole("menuitem", { name: "Cite …" }).click();
  const dialog = page.getByRole("dialog", { name: /^Cite “A year at the east dam”/ });
  await expect(dialog.getByRole("group", { name: "References" })).toContainText(
    "Standing Water. (2026, January 4).",
  );
  await expect(dialog.getByRole("button", { name: "Copy" })).toBeFocused();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await dialog.getByLabel("Style").selectOption({ label: "IEEE" });
  await expect(dialog.getByRole("group", { name: "References" })).toContainText("[1] Standing Water");
  await dialog.getByRole("button", { name: "Copy" }).click();
  await expect(dialog).toBeHidden();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^\[1\] Standing Water, A year/);

  // Saved: every format is a file of its kind.
  await page.goto(`/publish/${id}`);
  await page.getByLabel("With a bibliography").selectOption({ label: "MLA, 9th edition" });
  const saved = async (name: string) => {
    const download = page.waitForEvent("download");
    await page.getByRole("region", { name: "Files" }).getByRole("link", { name }).click();
    const file = await download;
    const chunks: Buffer[] = [];
    for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
    return { name: file.suggestedFilename(), bytes: Buffer.concat(chunks) };
  };
  const pdf = await saved("PDF");
  expect(pdf.name).toBe("Week 3 the water table (copy).pdf");
  expect(pdf.bytes.subarray(0, 5).toString()).toBe("%PDF-");
  for (const [name, ending] of [
    ["Word processor (DOCX)", "docx"],
    ["Book (EPUB)", "epub"],
    ["Workbook (XLSX)", "xlsx"],
  ] as const) {
    const file = await saved(name);
    expect(file.name).toBe(`Week 3 the water table (copy).${ending}`);
    // A ZIP (APPNOTE 4.3.7).
    expect(file.bytes.subarray(0, 4).toString("latin1")).toBe("PK\u0003\u0004");
  }
  await page.getByRole("button", { name: "Copy the bibliography" }).click();
  await expect(page.getByText(/^\d+ references are copied, with their look\.$/)).toBeVisible();
  const files = new AxeBuilder({ page }).include('section[aria-label="Files"]');
  expect((await files.analyze()).violations).toEqual([]);
});
