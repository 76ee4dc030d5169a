import { readFileSync } from "node:fs";
import sharp from "sharp";
import { axe } from "./axe";
import { expect, newcomer, test } from "./hands";
import { pdfOf, pdfStream } from "./pdf-of";
import { readFile } from "./read-file";

/** Some seconds of silence: RIFF WAVE, PCM, 8 bits, 8,000 a second. */
function silence(seconds: number): Buffer {
  const data = Buffer.alloc(8_000 * seconds, 128);
  const head = Buffer.alloc(44);
  head.write("RIFF", 0);
  head.writeUInt32LE(36 + data.length, 4);
  head.write("WAVEfmt ", 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(8_000, 24);
  head.writeUInt32LE(8_000, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write("data", 36);
  head.writeUInt32LE(data.length, 40);
  return Buffer.concat([head, data]);
}

test("seconds of a sound are marked while it plays, and lead back to where they were said", async ({
  browser,
}) => {
  const { page } = await newcomer(browser, "Tuuli Sepp");
  await readFile(page, { name: "Interview.wav", mimeType: "audio/wav", buffer: silence(90) });
  const sound = page.locator("audio");
  const seek = (to: number) =>
    sound.evaluate((one: HTMLAudioElement, at) => {
      one.currentTime = at;
    }, to);
  await seek(65);
  await page.locator("h1").click();
  await page.keyboard.press("m");
  const part = page.getByRole("region", { name: "Marked parts" });
  await expect(part.getByRole("textbox")).toBeFocused();
  await page.keyboard.type("Here he names the ditch.");
  await seek(72);
  await part.getByRole("button", { name: "To here" }).click();
  const place = part.getByRole("button", { name: "1:05 to 1:12" });
  await expect(place).toBeVisible();
  await seek(0);
  await place.click();
  await expect
    .poll(() => sound.evaluate((one: HTMLAudioElement) => Math.floor(one.currentTime)))
    .toBeGreaterThan(64);
  expect(await axe(page)).toEqual([]);
  await page.reload();
  await expect(part).toContainText("Here he names the ditch.");
});

test("a part of a picture is marked by pointer and by keys alone, and its note stands with its number", async ({
  browser,
}) => {
  const { page } = await newcomer(browser, "Raul Mets");
  const buffer = await sharp({ create: { width: 800, height: 500, channels: 3, background: "#8a9a6b" } })
    .png()
    .toBuffer();
  await readFile(page, { name: "Dam from above.png", mimeType: "image/png", buffer });
  const part = page.getByRole("region", { name: "Marked parts" });
  await part.getByRole("button", { name: "Mark a part" }).click();
  const box = (await page.locator("#main img[draggable=false]").boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.1, box.y + box.height * 0.2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.4, box.y + box.height * 0.6, { steps: 4 });
  await page.mouse.up();
  await expect(part.getByRole("textbox")).toBeFocused();
  await page.keyboard.type("The board has slipped.");
  await page.keyboard.press("Escape");
  await page.keyboard.press("m");
  const drawing = page.getByRole("application", { name: /Mark a part/ });
  await expect(drawing).toBeFocused();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Enter");
  await expect(drawing).toBeHidden();
  await page.keyboard.type("Water runs here.");
  await page.keyboard.press("Escape");
  expect(await axe(page)).toEqual([]);
  await page.reload();
  await expect(part.getByRole("listitem")).toHaveCount(2);
  await page.getByRole("button", { name: "Part 1", exact: true }).first().click();
  const marks = (await (
    await page.request.get(`/api/actions/marks.of-resource?resource=${page.url().split("/").at(-1)!}`)
  ).json()) as { marks: { fragment: string; note: string }[] };
  expect(marks.marks.map((one) => one.note).sort()).toEqual(["The board has slipped.", "Water runs here."]);
  expect(marks.marks.find((one) => one.note.startsWith("Water"))!.fragment).toBe("xywh=percent:37,35,30,32");
  const [x, y, w, h] = marks.marks
    .find((one) => one.note.startsWith("The"))!
    .fragment.replace("xywh=percent:", "")
    .split(",")
    .map(Number) as [number, number, number, number];
  for (const [at, wanted] of [
    [x, 10],
    [y, 20],
    [w, 30],
    [h, 40],
  ] as const)
    expect(Math.abs(at - wanted)).toBeLessThan(1);
});

test("a PDF is read as its pages; its words are marked there and stand in its text too, and a part of a page is marked", async ({
  browser,
}) => {
  const { page } = await newcomer(browser, "Kaja Org");
  const pdf = (name: string) => ({
    ...{ name, mimeType: "application/pdf" },
    buffer: readFileSync(`tests/reference/files/documents/${name}`),
  });
  await readFile(page, pdf("with-links.pdf"));
  const words = page.locator(".pdf-words");
  await expect(words).toContainText("map and text.");
  await expect(page.locator(".reading")).toContainText("map and text.");
  await expect(page.getByText("Page 1 of 1")).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await words.evaluate((layer) => {
    const walker = document.createTreeWalker(layer, NodeFilter.SHOW_TEXT);
    const nodes: Text[] = [];
    while (walker.nextNode()) nodes.push(walker.currentNode as Text);
    const found = nodes.find((one) => one.data.includes("and text"))!;
    const at = found.data.indexOf("and text");
    document.getSelection()!.setBaseAndExtent(found, at, found, at + "and text".length);
  });
  await expect(page.getByRole("group", { name: "Mark what is selected" })).toBeVisible();
  await page.keyboard.press("m");
  const painted = () =>
    page.evaluate(() => {
      const layers = [...CSS.highlights].filter(([name]) => name === "hobbin-tint-plain");
      return layers.flatMap(([, ranges]) =>
        [...ranges].map((range) => {
          const { parentElement } = (range as Range).startContainer;
          return `${parentElement!.closest(".pdf-words") ? "page" : "text"}: ${String(range)}`;
        }),
      );
    });
  await expect.poll(async () => (await painted()).sort()).toEqual(["page: and text", "text: and text"]);

  await page.getByRole("button", { name: "Mark a part" }).click();
  await expect(page.getByRole("application", { name: /Mark a part/ })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Page 1, a part of it" })).toBeVisible();

  // Letters that are not in the file, by maps that come with it.
  await readFile(page, pdf("letters-not-in-it.pdf"));
  await expect(words).toContainText("湿地の水位は高い");

  // The first page is there before anything else is alive, and stays what it was when that is.
  const held: (() => void)[] = [];
  let isHeld = true;
  // By a browser that has nothing of it yet.
  const kept = await page.context().storageState();
  const fresh = () => browser.newContext({ storageState: kept, baseURL: test.info().project.use.baseURL });
  const early = await (await fresh()).newPage();
  await early.route(/\/_next\/static\/.*\.js/, async (route) => {
    if (isHeld) await new Promise<void>((go) => held.push(go));
    await route.continue();
  });
  await early.goto(page.url(), { waitUntil: "commit" });
  const there = early.locator(".pdf-words");
  await expect(there).toContainText("湿地の水位は高い");
  await there.evaluate((layer) => layer.firstElementChild!.setAttribute("data-early", ""));
  await expect(early.getByText("Opening …")).toBeVisible();
  expect(held).not.toEqual([]);
  isHeld = false;
  held.forEach((go) => go());
  await expect(early.getByText("Page 1 of 1")).toBeVisible();
  await expect(there.locator("[data-early]")).toHaveCount(1);

  // What reads it did not come at first, and is asked for again.
  const lost = await (await fresh()).newPage();
  let fails = 1;
  await lost.route(/pdf\.min\.mjs/, (route) => (fails-- > 0 ? route.abort() : route.continue()));
  await lost.goto(page.url());
  await expect(lost.getByText("Page 1 of 1")).toBeVisible();
  await expect(lost.locator(".pdf-words")).toContainText("湿地の水位は高い");
  expect(fails).toBeLessThan(0);
});

/** Two pages, each with so many bytes behind it that nobody looks at. */
function longPdf(words: [string, string], idle: number): Buffer {
  const page = (content: number) =>
    `<</Type/Page/Parent 2 0 R/MediaBox[0 0 595 842]/Resources<</Font<</F1 3 0 R>>>>/Contents ${content} 0 R>>`;
  const [one, other] = words.map((said) => pdfStream(`BT /F1 20 Tf 50 780 Td (${said}) Tj ET`));
  return pdfOf([
    ...["<</Type/Catalog/Pages 2 0 R>>", "<</Type/Pages/Count 2/Kids[4 0 R 7 0 R]>>"],
    ...["<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>", page(5), one!, pdfStream("0".repeat(idle))],
    ...[page(8), other!, pdfStream("0".repeat(idle))],
  ]);
}

test("of a long PDF comes what is looked at, also to a browser of some years ago; what is saved says how long it is", async ({
  browser,
}) => {
  const { page } = await newcomer(browser, "Ott Veski");
  await page.addInitScript(() => Reflect.deleteProperty(Math, "sumPrecise"));
  const buffer = longPdf(["The first page", "The second page"], 6_000_000);
  await readFile(page, { name: "survey.pdf", mimeType: "application/pdf", buffer });
  // What it was opened with first is done asking.
  const address = page.url();
  await page.goto("about:blank");
  const asked: number[] = [];
  page.on("request", (request) => {
    const [, from, to] = /bytes=(\d+)-(\d+)/.exec(request.headers().range ?? "") ?? [];
    if (from) asked.push(Number(to) - Number(from) + 1);
  });
  await page.goto(address);
  await expect(page.getByText("Page 1 of 2")).toBeVisible();
  await expect(page.locator("[data-page='1'] .pdf-words")).toContainText("The first page");
  await page.getByRole("button", { name: "Next page" }).click();
  await expect(page.locator("[data-page='2'] .pdf-words")).toContainText("The second page");
  expect(asked.length).toBeGreaterThan(4);
  expect(asked.reduce((sum, one) => sum + one, 0)).toBeLessThan(buffer.length / 3);
  const loaded = await page.evaluate(() => performance.getEntriesByType("resource").map((one) => one.name));
  expect(loaded.filter((name) => name.endsWith("pdf.min.mjs"))).toEqual([
    expect.stringMatching(/\/legacy\/pdf\.min\.mjs$/),
  ]);

  const file = page.url().replace("/read/", "/api/file/");
  expect((await page.request.get(file)).headers()["content-length"]).toBe(String(buffer.length));
  const part = await page.request.get(file, { headers: { range: "bytes=0-99" } });
  expect([part.status(), part.headers()["content-length"]]).toEqual([206, "100"]);
});
