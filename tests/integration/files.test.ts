import { existsSync, mkdirSync, mkdtempSync, readFileSync, utimesSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { eq } from "drizzle-orm";
import { strToU8, zipSync } from "fflate";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { heldAmong } from "@/data/queries/held-files";
import { findFile, findText } from "@/data/queries/texts-and-files";
import { resource } from "@/data/schema";
import { readRange, sendFile } from "@/http/file-route";
import { getReaderFile } from "@/http/reader-route";
import { readFileJob } from "@/jobs/read-stored-file";
import { changingByItself, database } from "@/mechanism/changing";
import { readStored, storeFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { clearFiles } from "@/services/clearing/clear-files";
import { putFile } from "@/services/files/put";
import { takeIn } from "@/services/files/uploads";
import { as, makeWorld, type World } from "./world";

let world: World;
const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-files-"));
beforeAll(async () => {
  world = await makeWorld();
});

/** As the worker does it: what takes a busy machine too long is done again. */
async function tried(work: (attempt: number) => Promise<unknown>): Promise<void> {
  for (let attempt = 1; ; attempt++)
    try {
      return void (await work(attempt));
    } catch (error) {
      if (attempt === 3) throw error;
    }
}

/** Takes a file in as an upload that has arrived, and reads it. */
async function bring(name: string, content: Uint8Array) {
  const file = path.join(folder, newId());
  writeFileSync(file, content);
  const arrived = { person: world.owner.person!.id, team: world.team, name, ...(await takeIn(file, name)) };
  const { id, already } = await changingByItself((tx, begin) =>
    putFile(tx, begin({ team: world.team, person: null }), arrived),
  );
  await tried((attempt) => readFileJob.run({ resource: id }, attempt));
  const [row] = await database().select().from(resource).where(eq(resource.id, id));
  return {
    row: row!,
    already,
    file: (await findFile(database(), id))!,
    text: (await findText(database(), id))?.text ?? null,
  };
}

const words =
  "The water table stood four centimetres below the moss on Tuesday, the highest since the boards went in. ";
const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));

/** A PDF of two pages as a real program writes it. */
function pdf(): Buffer {
  const objects = [
    "<</Type/Catalog/Pages 2 0 R/OpenAction<</S/JavaScript/JS(app.alert(1))>>>>",
    "<</Type/Pages/Kids[3 0 R 4 0 R]/Count 2>>",
    "<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]/Contents 5 0 R/Resources<</Font<</F 6 0 R>>>>>>",
    "<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]/Contents 5 0 R/Resources<</Font<</F 6 0 R>>>>>>",
    `<</Length ${61 + words.length}>>stream\nBT /F 8 Tf 10 150 Td (Peat and water. ${words.replace(/[()]/g, "")}) Tj ET\nendstream`,
    "<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>",
  ];
  let body = "%PDF-1.4\n";
  const at = objects.map((text, i) => {
    const offset = body.length;
    body += `${i + 1} 0 obj\n${text}\nendobj\n`;
    return offset;
  });
  const xref = body.length;
  body += `xref\n0 7\n0000000000 65535 f \n${at.map((offset) => `${String(offset).padStart(10, "0")} 00000 n \n`).join("")}trailer<</Size 7/Root 1 0 R>>\nstartxref\n${xref}\n%%EOF`;
  return Buffer.from(body, "latin1");
}

describe("what is read of a file", () => {
  test("a PDF: text, pages and its first page as a picture", async () => {
    const { row, text } = await bring("Dipwell sheet.pdf", pdf());
    expect(row).toMatchObject({ kind: "document", title: "Dipwell sheet", pages: 2, fetchState: "done" });
    expect(text).toContain("Peat and water");
    expect(row.pictureHash).toMatch(/^[0-9a-f]{64}$/);
  });

  test("a presentation, a spreadsheet and an OpenDocument text", async () => {
    const slides = await bring(
      "Talk.pptx",
      zip({
        "ppt/presentation.xml": "<p:presentation/>",
        "[Content_Types].xml": "<Types/>",
        "ppt/slides/slide2.xml": `<p:sld><a:p><a:r><a:t>Second &amp; last</a:t></a:r></a:p></p:sld>`,
        "ppt/slides/slide1.xml": `<p:sld><a:p><a:r><a:t>First </a:t></a:r><a:r><a:t>slide</a:t></a:r></a:p></p:sld>`,
      }),
    );
    expect(slides.text).toBe("Slide 1\nFirst slide\nSlide 2\nSecond & last");
    expect(slides.row.pages).toBe(2);
    const sheet = await bring(
      "Levels.xlsx",
      zip({
        "xl/workbook.xml": `<workbook><sheets><sheet name="Wells" sheetId="1"/></sheets></workbook>`,
        "[Content_Types].xml": "<Types/>",
        "xl/sharedStrings.xml": "<sst><si><t>Well</t></si><si><t>&lt;script&gt;</t></si></sst>",
        "xl/worksheets/sheet1.xml": `<worksheet><sheetData><row r="1"><c r="A1" t="s"><v>0</v></c><c r="C1"><v>12</v></c></row><row r="2"><c r="A2" t="s"><v>1</v></c></row></sheetData></worksheet>`,
      }),
    );
    expect(sheet.text).toContain("Well");
    const [kept] = await Promise.all([findText(database(), sheet.row.id)]);
    expect(kept!.html).toContain("<td>Well</td><td></td><td>12</td>");
    expect(kept!.html).not.toContain("<script");
  });

  test("photos: turned upright, without the place they were taken at, the same one known again", async () => {
    const photo = await sharp({ create: { width: 400, height: 200, channels: 3, background: "#3c6a37" } })
      .withExif({ IFD3: { GPSLatitude: "53/1 30/1 0/1", GPSLatitudeRef: "N" }, IFD0: { Orientation: "6" } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const first = await bring("bog.jpg", photo);
    const kept = (await readStored(first.file.hash))!;
    const { width, height, exif } = await sharp(kept).metadata();
    expect([width, height, exif]).toEqual([200, 400, undefined]);
    expect(first.row).toMatchObject({ kind: "picture", minutes: null });
    const again = await bring("other name.jpg", photo);
    expect(again.already).toBe(true);
    expect(again.row.id).toBe(first.row.id);
  });

  test("a photo that cannot be opened is not kept, because what the camera wrote into it would be given out", async () => {
    const photo = await sharp({ create: { width: 400, height: 200, channels: 3, background: "#3c6a37" } })
      .withExif({ IFD3: { GPSLatitude: "53/1 30/1 0/1", GPSLatitudeRef: "N" } })
      .jpeg({ quality: 100 })
      .toBuffer();
    const heic = readFileSync("tests/reference/files/bog.heic");
    for (const [name, content] of [
      ["cut.jpg", photo.subarray(0, photo.length - 900)],
      ["cut.heic", heic.subarray(0, heic.length / 2)],
    ] as const)
      await expect(bring(name, content), name).rejects.toMatchObject({ code: "picture-not-cleanable" });
    // Drawings and moving pictures hold no such thing, and are kept as they are.
    const gif = await sharp({ create: { width: 80, height: 60, channels: 3, background: "#3c6a37" } })
      .gif()
      .toBuffer();
    expect((await bring("bog.gif", gif)).file.type).toBe("image/gif");
  });

  test("a HEIC picture of a phone becomes a JPEG that every browser shows", async () => {
    // Made by Debian's heif-enc from a picture drawn here.
    const { row, file } = await bring("bog.heic", readFileSync("tests/reference/files/bog.heic"));
    expect(row).toMatchObject({ kind: "picture", title: "bog" });
    expect(row.pictureHash).not.toBeNull();
    const { format, width, height } = await sharp((await readStored(file.hash))!).metadata();
    expect([format, width, height]).toEqual(["jpeg", 320, 200]);
  });

  test("sound: how long it is, and a player", async () => {
    const rate = 8000;
    const header = Buffer.alloc(44);
    header.write("RIFF", 0);
    header.writeUInt32LE(36 + rate * 3, 4);
    header.write("WAVEfmt ", 8);
    header.writeUInt32LE(16, 16);
    header.writeUInt16LE(1, 20);
    header.writeUInt16LE(1, 22);
    header.writeUInt32LE(rate, 24);
    header.writeUInt32LE(rate, 28);
    header.writeUInt16LE(1, 32);
    header.writeUInt16LE(8, 34);
    header.write("data", 36);
    header.writeUInt32LE(rate * 3, 40);
    const { row } = await bring("call.wav", Buffer.concat([header, Buffer.alloc(rate * 3, 128)]));
    expect(row).toMatchObject({
      kind: "sound",
      seconds: 3,
      player: { type: "file", address: `/api/file/${row.id}` },
    });
  });
});

describe("hostile files end in a safe result, never in a crash", () => {
  test("a bomb, a broken archive, a truncated PDF, a picture of 50,000 pixels a side", async () => {
    const bomb = zipSync({ "word/document.xml": new Uint8Array(130_000_000) }, { level: 9 });
    expect((await bring("bomb.docx", bomb)).text).toBeNull();
    expect((await bring("broken.docx", bomb.slice(0, 200))).row.fetchState).toBe("done");
    const cut = await bring("cut.pdf", pdf().subarray(0, 300));
    expect(cut.row).toMatchObject({ kind: "document", fetchState: "done" });
    // The head of a PNG that claims 50,000 by 50,000 pixels.
    const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: "#000" } })
      .png()
      .toBuffer();
    png.writeUInt32BE(50_000, 16);
    png.writeUInt32BE(50_000, 20);
    await expect(bring("huge.png", png)).rejects.toMatchObject({ code: "picture-not-cleanable" });
  });

  test("a drawing with a script is painted without it, and only ever saved, not shown", async () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><script>fetch("https://evil.example")</script><rect width="300" height="200" fill="#0b5563"/></svg>`;
    const { row, file } = await bring("drawing.svg", Buffer.from(svg));
    expect(row.kind).toBe("picture");
    expect(row.pictureHash).not.toBeNull();
    const answer = await sendFile(new Request("http://hobbin.test/api/file/x"), file);
    expect(answer.headers.get("content-disposition")).toMatch(/^attachment/);
    expect(answer.headers.get("content-security-policy")).toContain("sandbox");
    expect(answer.headers.get("x-content-type-options")).toBe("nosniff");
  });

  test("a web page under the name of a picture is told by its content and not shown", async () => {
    const { file } = await bring("holiday.jpg", Buffer.from("<!doctype html><script>alert(1)</script>"));
    expect(file.type).not.toMatch(/^image|^text\/html/);
    const answer = await sendFile(new Request("http://hobbin.test/api/file/x"), file);
    expect(answer.headers.get("content-type")).toMatch(/^text\/plain|octet/);
  });
});

test("readers get the file of an item of their page, in ranges, and no other team's or item's", async () => {
  const { row } = await bring("leaflet.txt", Buffer.from("0123456789 for everybody"));
  const { collection, owner, code } = world;
  const { item } = await as(owner, "placements.add", { collection, resource: row.id });
  const get = (id: string, headers = {}) =>
    getReaderFile(new Request(`http://hobbin.test/c/${code}/f/${id}`, { headers }), {
      params: Promise.resolve({ code, item: id }),
    });
  const part = await get(item!.id, { range: "bytes=0-3" });
  expect([part.status, await part.text(), part.headers.get("content-range")]).toEqual([
    206,
    "0123",
    "bytes 0-3/24",
  ]);
  // An item that is no file, and an id of another page.
  for (const id of [world.placement, newId()]) expect((await get(id)).status).toBe(404);
});

/** RFC 9110 §14.1.2, with its examples for 10,000 bytes. */
test.each([
  ["bytes=0-499", { start: 0, end: 499 }],
  ["bytes=500-999", { start: 500, end: 999 }],
  ["bytes=-500", { start: 9500, end: 9999 }],
  ["bytes=9500-", { start: 9500, end: 9999 }],
  ["bytes=0-0", { start: 0, end: 0 }],
  ["bytes=20000-", "impossible"],
  ["bytes=500-400", null],
  ["bytes=0-1,5-6", null],
  ["items=0-1", null],
] as const)("range %s", (header, expected) => expect(readRange(header, 10_000)).toEqual(expected));

test.each(["field-book.docx", "field-book.odt", "field-book-office.docx", "field-book-office.odt"])(
  "%s, made by pandoc 2.17 or (-office) LibreOffice 7.4: headings, lists and a table are read",
  async (name) => {
    const { row, text } = await bring(name, readFileSync(`tests/reference/files/${name}`));
    expect(row.kind).toBe("document");
    for (const part of ["Field book", "Bring dry socks", "Well four", "12 cm"]) expect(text).toContain(part);
  },
);

test.each(["docx", "odt", "epub", "pptx"])(
  "the pictures in a text of a file (%s, made by pandoc 2.17) stand in its reading copy, and read again it is the same",
  async (ending) => {
    const name = `with-pictures.${ending}`;
    const { row, text } = await bring(name, readFileSync(`tests/reference/files/documents/${name}`));
    const html = async () => (await as(world.owner, "resources.text", { resource: row.id })).html!;
    const shown = await html();
    const images = [
      ...shown.matchAll(/<img src="\/api\/pictures\/([0-9a-f]{64})" alt="[^"]*" width="240" height="160"/g),
    ];
    expect(images).toHaveLength(2);
    const [first, second] = images.map(({ index }) => index);
    const places = ["only dam.", "the gauge.", "The west", "Nothing leads"].map((words) =>
      shown.indexOf(words),
    );
    expect([places[0]! < first!, first! < places[1]!, places[2]! < second!, second! < places[3]!]).toEqual(
      Array(4).fill(true),
    );
    expect(text).not.toContain("inside:");
    const hashes = images.map(([, hash]) => hash!);
    expect(await heldAmong(database(), hashes)).toEqual(new Set(hashes));
    expect(await as(world.viewer, "pictures.read", { hash: hashes[0]! })).toEqual({ hash: hashes[0] });
    await readFileJob.run({ resource: row.id });
    expect(await html()).toBe(shown);
  },
);

/** What an upload leaves behind whose process was killed right after its last byte. */
function leaveBehind(content: Uint8Array, { missing = 0 } = {}): string {
  const id = newId();
  const uploads = path.join(settings().files, "uploads");
  mkdirSync(uploads, { recursive: true });
  writeFileSync(path.join(uploads, id), content);
  const metadata = { team: world.team, filename: "field notes.txt", person: world.owner.person!.id };
  const size = content.length + missing;
  writeFileSync(path.join(uploads, `${id}.json`), JSON.stringify({ id, size, offset: 0, metadata }));
  return id;
}

test("a file whose process was killed at its last byte is whole when it is asked for, by many at once too", async () => {
  const { owner, team, editor } = world;
  const content = Buffer.from(`Peat, layer by layer. ${newId()}`);
  const upload = leaveBehind(content);
  await expect(as(editor, "capture.file", { team, upload })).rejects.toMatchObject({
    code: "file-not-arrived",
  });
  const all = await Promise.all([1, 2, 3].map(() => as(owner, "capture.file", { team, upload })));
  expect(new Set(all.map(({ resource }) => resource.id)).size).toBe(1);
  const { hash } = (await findFile(database(), all[0]!.resource.id))!;
  expect(await readStored(hash)).toEqual(content);
  // One of which something is missing still is not whole.
  const half = leaveBehind(content, { missing: 1 });
  await expect(as(owner, "capture.file", { team, upload: half })).rejects.toMatchObject({
    code: "file-not-arrived",
  });
});

test("files nobody holds any more are cleared after a day, those somebody holds or would bring back are not", async () => {
  const { owner, team, collection: home } = world;
  const store = (words: string) => storeFile(Buffer.from(`${words} ${newId()}`));
  const held = (await bring("held.txt", Buffer.from(`Held ${newId()}`))).file.hash;
  const [loose, young, cover, seen] = await Promise.all(["loose", "young", "cover", "seen"].map(store));
  const address = `https://kept.example/${newId()}`;
  const { resource: page } = await as(owner, "capture.address", { team, address });
  await database().update(resource).set({ seenHash: seen }).where(eq(resource.id, page.id));
  // Undo would bring the first cover back.
  await database().update(resource).set({ pictureHash: cover }).where(eq(resource.id, page.id));
  for (const coverHash of [cover!, ""]) await as(owner, "collections.edit", { collection: home, coverHash });
  await database().update(resource).set({ pictureHash: null }).where(eq(resource.id, page.id));
  const pathOf = (hash: string) => path.join(settings().files, hash.slice(0, 2), hash);
  const part = `${pathOf(loose!)}.half`;
  writeFileSync(part, "half");
  const old = new Date(Date.now() - 2 * 86_400_000);
  for (const file of [held, loose!, cover!, seen!].map(pathOf).concat(part)) utimesSync(file, old, old);
  const counted = await clearFiles(new Date());
  expect(counted.cleared).toBeGreaterThanOrEqual(2);
  const there = await Promise.all([held, young!, cover!, seen!, loose!].map((hash) => readStored(hash)));
  expect(there.map(Boolean)).toEqual([true, true, true, true, false]);
  expect(existsSync(part)).toBe(false);
  // What is wanted again is as young as what is new.
  const again = await store("again");
  utimesSync(pathOf(again), old, old);
  await storeFile((await readStored(again))!);
  await clearFiles(new Date());
  expect(await readStored(again)).not.toBeNull();
});
