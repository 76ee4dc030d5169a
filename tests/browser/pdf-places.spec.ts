import { axe } from "./axe";
import { expect, newcomer, test } from "./hands";
import { pdfOf, pdfStream } from "./pdf-of";
import { readFile } from "./read-file";

/** Three pages with an outline, and links on the first: to a place by name, over two lines; to the web; and one that would run something. */
function linkedPdf(): Buffer {
  const words = (...lines: [y: number, said: string][]) =>
    pdfStream(lines.map(([y, said]) => `BT /F1 20 Tf 50 ${y} Td (${said}) Tj ET`).join(" "));
  const page = (content: number, more = "") =>
    `<</Type/Page/Parent 2 0 R/MediaBox[0 0 595 842]/Resources<</Font<</F1 4 0 R>>>>/Contents ${content} 0 R${more}>>`;
  const link = (rect: string, leads: string) =>
    `<</Type/Annot/Subtype/Link/Rect[${rect}]/Border[0 0 0]${leads}>>`;
  const script = "/A<</S/URI/URI(javascript:alert\\(1\\))>>";
  return pdfOf([
    "<</Type/Catalog/Pages 2 0 R/Outlines 3 0 R/Dests<</moss[9 0 R/XYZ 50 220 null]>>>>",
    "<</Type/Pages/Count 3/Kids[5 0 R 7 0 R 9 0 R]>>",
    "<</Type/Outlines/First 11 0 R/Last 12 0 R/Count 2>>",
    "<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>",
    page(6, "/Annots[13 0 R 14 0 R 15 0 R]"),
    words([780, "See what was said of"], [750, "the moss"], [700, "The station"], [650, "Run me"]),
    page(8),
    words([780, "Water"]),
    page(10),
    words([780, "The last page"], [200, "Moss, far down"]),
    "<</Title(Water)/Parent 3 0 R/Next 12 0 R/Dest[7 0 R/Fit]>>",
    "<</Title(Moss)/Parent 3 0 R/Prev 11 0 R/Dest/moss>>",
    link(
      "50 745 300 800",
      "/QuadPoints[50 800 300 800 50 775 300 775 50 770 150 770 50 745 150 745]/Dest/moss",
    ),
    link("50 695 200 720", "/A<</S/URI/URI(https://station.example/)>>"),
    link("50 645 200 670", script),
  ]);
}

test("links of a PDF and its contents lead to their places, and back", async ({ browser }) => {
  const { page } = await newcomer(browser, "Kaja Pihl");
  await readFile(page, { name: "linked.pdf", mimeType: "application/pdf", buffer: linkedPdf() });
  const pages = page.getByRole("region", { name: "Pages of linked" });
  const link = pages.getByRole("button", { name: "See what was said of the moss" });
  const expectSeen = async (words: string, at: string) => {
    await expect(pages.getByText(words)).toBeInViewport();
    await expect(page.getByText(/^Page \d of \d$/)).toHaveText(at);
  };

  // On two lines it is pressed, and met once.
  await expect(link).toHaveCount(1);
  await pages.locator("button[aria-hidden]").click();
  await expectSeen("Moss, far down", "Page 3 of 3");
  await expect(pages.locator("[data-page='3']")).toBeFocused();
  await page.getByRole("button", { name: "Back to page 1" }).click();
  await expectSeen("The station", "Page 1 of 3");
  await expect(page.getByRole("button", { name: "Back to page 1" })).toHaveCount(0);
  await link.press("Enter");
  await expectSeen("Moss, far down", "Page 3 of 3");

  // What leaves the document says where to; what would run something is no link.
  await page.getByRole("button", { name: "Back to page 1" }).press("Enter");
  await expect(pages.getByRole("link")).toHaveCount(1);
  const out = pages.getByRole("link", { name: "The station" });
  await expect(out).toHaveAttribute("href", "https://station.example/");
  await expect(out).toHaveAttribute("target", "_blank");

  // What is selected up to a link ends in its words.
  const [from, to] = [await pages.getByText("Run me").boundingBox(), await out.boundingBox()];
  await page.mouse.move(from!.x + 1, from!.y + from!.height / 2);
  await page.mouse.down();
  await page.mouse.move(to!.x + to!.width / 5, to!.y + to!.height / 2, { steps: 5 });
  await page.mouse.up();
  expect(await page.evaluate(() => String(getSelection()))).toMatch(/^\w* ?station\s*$/);

  await page.getByText("Contents", { exact: true }).click();
  const contents = page.getByRole("list", { name: "Contents" });
  await expect(contents.getByRole("button")).toHaveText(["Water", "Moss"]);
  expect(await axe(page)).toEqual([]);
  await contents.getByRole("button", { name: "Water" }).click();
  await expectSeen("Water", "Page 2 of 3");
  await expect(page.getByRole("button", { name: "Back to page 1" })).toBeVisible();
});
