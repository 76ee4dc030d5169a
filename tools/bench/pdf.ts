import { setTimeout } from "node:timers/promises";
import { chromium } from "@playwright/test";
import { noteFile } from "@/data/queries/texts-and-files";
import { resourceFile } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { storeFile } from "@/outside/files";
import options from "../lib/chromium.json" with { type: "json" };
import { signIn } from "./bench-screen";
import { as } from "./fill";
import { type Figure, median } from "./figures";
import { LoneTab } from "./lone-tab";
import { proseOf } from "./prose";

const TIMES = 5;
/** It is looked at after this: all that was asked for is done by then, and is not measured along with the next. */
const REST = 4_000;

/** A PDF in which each page is lines of words, in letters every reader has (ISO 32000-1, 7.5, without an object stream). */
function plainPdf(paragraphs: string[], pages: number): Buffer {
  const lines = paragraphs.flatMap((one) => one.match(/.{1,90}(?: |$)/g) ?? []);
  const each = Math.floor(lines.length / pages);
  const objects = [
    "<</Type/Catalog/Pages 2 0 R>>",
    `<</Type/Pages/Count ${pages}/Kids[${Array.from({ length: pages }, (_, i) => `${4 + i * 2} 0 R`).join(" ")}]>>`,
    "<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>",
  ];
  for (let i = 0; i < pages; i++) {
    const shown = lines.slice(i * each, (i + 1) * each).slice(0, 56);
    const stream = `BT /F1 11 Tf 14 TL 50 800 Td ${shown.map((line) => `(${line.trim()}) Tj T*`).join(" ")} ET`;
    objects.push(
      `<</Type/Page/Parent 2 0 R/MediaBox[0 0 595 842]/Resources<</Font<</F1 3 0 R>>>>/Contents ${5 + i * 2} 0 R>>`,
      `<</Length ${stream.length}>>stream\n${stream}\nendstream`,
    );
  }
  let file = "%PDF-1.7\n";
  const places = objects.map((one, i) => {
    const at = file.length;
    file += `${i + 1} 0 obj${one}\nendobj\n`;
    return `${String(at).padStart(10, "0")} 00000 n \n`;
  });
  const xref = file.length;
  file += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${places.join("")}`;
  file += `trailer<</Size ${objects.length + 1}/Root 1 0 R>>\nstartxref\n${xref}\n%%EOF\n`;
  return Buffer.from(file, "latin1");
}

/** When its first page was drawn and its words stood on it: the page says so by a mark of User Timing. */
const FIRST_PAGE =
  'document.querySelector(".pdf-words span") ? performance.getEntriesByName("first-page")[0]?.startTime : undefined';

/** A PDF of 300 pages in the reading room: until its first page is drawn. */
export async function* measurePdf(actor: Actor, team: string, base: string): AsyncGenerator<Figure> {
  const { resource } = await as(actor, "capture.note", { team, text: "A long document" });
  const bytes = plainPdf(proseOf(900_000), 300);
  const hash = await storeFile(bytes);
  const at = new Date();
  await noteFile(database(), { hash, bytes: bytes.length, type: "application/pdf", createdAt: at });
  await database()
    .insert(resourceFile)
    .values({
      ...{ resource: resource.id, team, hash, name: "long.pdf" },
      ...{ type: "application/pdf", bytes: bytes.length, createdAt: at },
    });
  const browser = await chromium.launch(options);
  try {
    const page = await signIn(browser, actor, base);
    const tab = await LoneTab.open(browser, await page.context().cookies());
    await page.close();
    const took: number[] = [];
    for (let i = 0; i < TIMES; i++) {
      await tab.go(`${base}/read/${resource.id}`);
      await setTimeout(REST);
      const at = await tab.ask(FIRST_PAGE);
      if (typeof at !== "number") throw new Error("The first page of the PDF did not come.");
      took.push(at);
    }
    const pages = await tab.ask(`document.body.innerText.match(/Page 1 of (\\d+)/)?.[1]`);
    yield {
      what: `A PDF (${String(pages)} pages), from asking for its page to its first one with its words, median of ${TIMES}`,
      measured: `${median(took).toFixed(0)} ms`,
      aim: "under 700 ms",
      met: median(took) < 700,
    };
  } finally {
    await browser.close();
  }
}
