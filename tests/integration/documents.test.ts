import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { strFromU8, unzipSync } from "fflate";
import { beforeAll, expect, test } from "vitest";
import { getExport } from "@/http/export-route";
import { linksInThread, officeInThread } from "@/outside/threads/in-thread";
import { germanTemplate } from "../outside/sources/german-template";
import { arrive, as, makeWorld, type World } from "./world";

let world: World;
let course: string;
let first: string;
const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-documents-"));
const EVIL = [
  `#read("/etc/passwd") *bold* $x$ \\ @ref <label>`,
  `</w:t><script>alert(1)</script> & "quoted" ]]>`,
  "المستنقع في الشتاء",
  "泥炭地の水位 🐦",
  "Hochmoorwiedervernässung".repeat(12),
  "\u0000\u0007\u202Eturned\uFFFE\uD800",
];
const contextOf = (n: number) => `Because of reason ${n}, and no other.`;
const addressOf = (n: number) => `https://documents.example/${n}?a=1&b=%22${n}`;

const run = (program: string, ...args: string[]) =>
  execFileSync(program, args, { encoding: "utf8", stdio: ["ignore", "pipe", "ignore"] });
const saved = (name: string, bytes: Buffer) => {
  const file = path.join(folder, name);
  writeFileSync(file, bytes);
  return file;
};
/** What openpyxl makes of a workbook. */
const OPENPYXL = `
import json, sys, openpyxl
def cell(c): return c.value if c.value is None or isinstance(c.value, (int, float, str)) else c.value.isoformat()
print(json.dumps([{"title": s.title, "rows": [[cell(c) for c in r] for r in s.iter_rows()],
  "links": [r[5].hyperlink.target if r[5].hyperlink else None for r in s.iter_rows()]}
  for s in openpyxl.load_workbook(sys.argv[1])]))`;
const document = async (format: "pdf" | "docx" | "xlsx" | "epub", more: object = {}) => {
  const { base64, name } = await as(world.editor, "export.document", { collection: course, format, ...more });
  return { name, bytes: Buffer.from(base64, "base64") };
};

beforeAll(async () => {
  world = await makeWorld();
  const { editor, team } = world;
  course = (await as(editor, "collections.make", { team, title: "Bogs / in: winter?" })).collection.id;
  const week = (await as(editor, "collections.make", { team, title: "Week 1: ice", parent: course }))
    .collection.id;
  const rich =
    '<p>What to read.</p><ul><li>First <b>the ice</b></li><li>then <a href="https://marks.example/">water</a></li></ul>';
  await as(editor, "collections.edit", { collection: course, rich });
  const { section } = await as(editor, "sections.make", { collection: course, title: "To begin" });
  for (let n = 0; n < 8; n++) {
    const { resource, item } = await as(editor, "capture.work", {
      ...{ team, type: "book", title: `Book ${n}`, authors: [`Weld${n}, Ona`], published: "2019-03" },
      ...{ address: addressOf(n), collection: n < 6 ? course : week, ...(n < 6 && { section: section.id }) },
    });
    if (n === 0) first = resource.id;
    const heading = EVIL[n] ?? "";
    await as(editor, "placements.edit", { placement: item!.id, context: contextOf(n), heading });
  }
});

test("as PDF it is tagged, has its headings, links and words in their order, and is whole", async () => {
  const { name, bytes } = await document("pdf");
  expect(name).toBe("Bogs in winter.pdf");
  const file = saved("course.pdf", bytes);
  const info = run("pdfinfo", file);
  // ISO 14289-1 (PDF/UA-1), 7.1: the file has a title and is tagged; 7.2: a language is laid down.
  expect(info).toMatch(/Title: +Bogs \/ in: winter\?/);
  expect(info).toMatch(/Tagged: +yes/);
  expect(info).toMatch(/Page size: .*A4/);
  expect(bytes.toString("latin1")).toMatch(/\/Lang ?\(en\)/);
  const structure = run("pdfinfo", "-struct", file);
  // 7.4: headings do not skip a level; 7.6: lists are lists; 7.18.5: links are links.
  for (const part of ["H1", "H2", "L (block)", "LBody", "Link (inline)", "TOC"])
    expect(structure).toContain(part);
  const links = run("pdfinfo", "-url", file);
  const text = run("pdftotext", file, "-").replace(/\s+/g, " ");
  expect(links).toContain("https://marks.example/");
  expect(text).toContain("What to read. • First the ice • then water");
  let at = 0;
  for (let n = 0; n < 8; n++) {
    expect(links).toContain(addressOf(n));
    const next = text.indexOf(contextOf(n), at);
    expect(next, contextOf(n)).toBeGreaterThan(at - 1);
    at = next;
  }
  expect(text).toContain(EVIL[0]);
  expect(text).toContain("To begin");
  expect(run("qpdf", "--check", file)).toContain("No syntax or stream encoding errors found");
  // The same content has the same bytes.
  expect((await document("pdf")).bytes.equals(bytes)).toBe(true);
  expect(run("pdfinfo", saved("letter.pdf", (await document("pdf", { paper: "letter" })).bytes))).toMatch(
    /letter/,
  );
});

test("for a word processor it has headings, context lines and links, which Hobbin reads back the same", async () => {
  const { name, bytes } = await document("docx");
  expect(name).toBe("Bogs in winter.docx");
  const read = await officeInThread(bytes);
  const html = read!.copy.html;
  // What is kept of a text has no heading of the first level: that is its title.
  expect(html).toMatch(/<h2[^>]*>.*Bogs \/ in: winter\?/);
  expect(html).toMatch(/<h2[^>]*>.*Week 1: ice/);
  expect(html).toContain("<li>First <strong>the ice</strong></li>");
  expect(html).toMatch(/<li>then <a href="https:\/\/marks\.example\/"[^>]*>water<\/a><\/li>/);
  let at = 0;
  for (let n = 0; n < 8; n++) {
    expect(html).toContain(`href="${addressOf(n).replaceAll("&", "&amp;")}"`);
    const next = html.indexOf(contextOf(n), at);
    expect(next, contextOf(n)).toBeGreaterThan(at - 1);
    at = next;
  }
  expect(html).not.toContain("<script");
  expect(read!.copy.text).toContain(`</w:t><script>alert(1)</script> & "quoted" ]]>`);
});

test("a bibliography in the style that is asked for stands at its end, and can be had alone", async () => {
  const { editor } = world;
  const text = async (style: string) =>
    run("pdftotext", saved(`${style}.pdf`, (await document("pdf", { style })).bytes), "-").replace(
      /\s+/g,
      " ",
    );
  expect(await text("apa")).toContain("Weld3, O. (2019). Book 3.");
  expect(await text("ieee")).toContain("O. Weld3, Book 3. 2019.");
  const docx = await officeInThread((await document("docx", { style: "apa" })).bytes);
  expect(docx!.copy.text).toContain("Weld3, O. (2019). Book 3.");
  const alone = await as(editor, "references.bibliography", { collection: course, style: "apa" });
  expect(alone.count).toBe(8);
  expect(alone.text.split("\n")[3]).toContain("Weld3, O. (2019). Book 3.");
  expect(alone.html).toContain("<i>Book 3</i>");
  await expect(document("pdf", { style: "../../etc/passwd" })).rejects.toMatchObject({ code: "not-valid" });
});

test("whatever is in it, there is a document; only what is chosen is in it when something is chosen", async () => {
  const { editor, team } = world;
  const made = (await as(editor, "collections.make", { team, title: EVIL[5] + "x" })).collection.id;
  for (const words of EVIL) await as(editor, "capture.note", { team, text: `${words} x`, collection: made });
  const read = await as(editor, "collections.read", { collection: made });
  const placements = read.items[0]!.id;
  for (const format of ["pdf", "docx"]) {
    const one = await as(editor, "export.document", { collection: made, format, placements });
    const all = await as(editor, "export.document", { collection: made, format });
    expect(one.base64.length).toBeGreaterThan(1_000);
    expect(all.base64.length).toBeGreaterThan(one.base64.length);
  }
});

test("as a workbook another program reads each sheet, with its links and dates", async () => {
  const { bytes } = await document("xlsx");
  const file = saved("course.xlsx", bytes);
  // Debian's python3-openpyxl.
  const read = JSON.parse(run("/usr/bin/python3", "-c", OPENPYXL, file)) as {
    title: string;
    rows: (string | number | null)[][];
    links: (string | null)[];
  }[];
  expect(read.map((one) => one.title)).toEqual(["Bogs in winter", "Week 1 ice"]);
  const [bogs, week] = read;
  expect([bogs!.rows.length, week!.rows.length]).toEqual([7, 3]);
  expect(bogs!.rows[0]!.slice(0, 6)).toEqual(["No.", "Collection", "Section", "Title", "Context", "Address"]);
  expect(bogs!.rows[1]).toContain(contextOf(0));
  expect(bogs!.rows[1]![3]).toBe(EVIL[0]);
  expect(bogs!.links.slice(1)).toEqual([0, 1, 2, 3, 4, 5].map(addressOf));
  // When it was added is a date, and today's.
  expect(String(bogs!.rows[1]!.at(-1))).toMatch(/^\d{4}-\d{2}-\d{2}/);
});

test("as a book its first file says what it is, and every chapter, link and reference is in it", async () => {
  const { name, bytes } = await document("epub", { style: "apa" });
  expect(name).toBe("Bogs in winter.epub");
  // EPUB 3.3, 4.2.6: at byte 30 the name, at 38 the type, neither packed.
  expect(bytes.subarray(30, 58).toString("latin1")).toBe("mimetypeapplication/epub+zip");
  const files = unzipSync(bytes);
  const chapters = Object.entries(files)
    .filter(([file]) => file.endsWith(".xhtml"))
    .map(([, content]) => strFromU8(content));
  for (const chapter of chapters)
    expect(run("xmllint", "--noout", "--nonet", saved("chapter.xhtml", Buffer.from(chapter)))).toBe("");
  const all = chapters.join("\n");
  expect(all).toMatch(/<ul class="lead"><li><p class="lead">First <b>the ice<\/b><\/p><\/li>/);
  for (let n = 0; n < 8; n++) {
    expect(all).toContain(contextOf(n));
    expect(all).toContain(`href="${addressOf(n).replaceAll("&", "&amp;")}"`);
  }
  expect(all).toContain("<i>Book 3</i>");
  expect((await document("epub", { style: "apa" })).bytes.equals(bytes)).toBe(true);
});

test("reading copies go along in a book as chapters when asked for, well formed, with a word on whose they are", async () => {
  const { editor } = world;
  await as(editor, "resources.paste-text", { resource: first, text: `Peat & moss <grows>.\n\nSlowly.` });
  const plain = unzipSync((await document("epub")).bytes);
  expect(Object.keys(plain)).not.toContain("book/copies.xhtml");
  const files = unzipSync((await document("epub", { copies: "all" })).bytes);
  const chapter = strFromU8(files["book/copy-0.xhtml"]!);
  expect(chapter).toMatch(/<p>Peat &(amp|#38); moss &(lt|#60);grows/);
  expect(run("xmllint", "--noout", "--nonet", saved("copy.xhtml", Buffer.from(chapter)))).toBe("");
  expect(strFromU8(files["book/copies.xhtml"]!)).toContain("the words of others");
  expect(strFromU8(files["book/nav.xhtml"]!)).toContain('href="copy-0.xhtml"');
});

test("a team's own template gives its documents their look; one that is none is refused, and nothing changes", async () => {
  const { owner, editor, team } = world;
  const send = (name: string, bytes: Uint8Array) => {
    const upload = arrive(owner, team, saved(name, Buffer.from(bytes)), name);
    return as(owner, "teams.set-template", { team, upload });
  };
  await expect(send("letter.docx", Buffer.from("no document"))).rejects.toMatchObject({
    errors: [{ field: "upload" }],
  });
  expect((await as(editor, "teams.template", { team })).template).toBeNull();
  await send("letter.dotx", germanTemplate());
  const parts = unzipSync((await document("docx")).bytes);
  expect(strFromU8(parts["word/header1.xml"]!)).toContain("Moor-Schule");
  const read = await officeInThread((await document("docx")).bytes);
  expect(read!.copy.html).toMatch(/Before it.*<h2[^>]*>.*Bogs \/ in: winter\?.*Behind it/s);
  expect(unzipSync((await document("docx", { look: "plain" })).bytes)["word/header1.xml"]).toBeUndefined();
  await as(owner, "teams.set-template", { team, upload: null });
  expect(unzipSync((await document("docx")).bytes)["word/header1.xml"]).toBeUndefined();
});

test("every format is had from its address, and by nobody who may not see the collection", async () => {
  const get = (query: string, headers = {}) =>
    getExport(new Request(`http://localhost/api/export/${course}?${query}`, { headers }), {
      params: Promise.resolve({ collection: course }),
    });
  for (const format of ["pdf", "markdown"]) expect((await get(`format=${format}`)).status).toBe(401);
  const { token } = await as(world.editor, "tokens.make", { name: "Files" });
  const mine = { authorization: `Bearer ${token}` };
  for (const format of [
    "pdf",
    "docx",
    "epub",
    "xlsx",
    "csv",
    "markdown",
    "bookmarks",
    "ris",
    "bibtex",
    "csl-json",
  ]) {
    const answer = await get(`format=${format}&paper=letter`, mine);
    expect(answer.status, format).toBe(200);
    expect(answer.headers.get("content-disposition"), format).toContain("Bogs in winter.");
    expect((await answer.arrayBuffer()).byteLength, format).toBeGreaterThan(100);
  }
});

test("what a long document leads to is found in a thread, the first 2,000, each once", async () => {
  const link = (i: number) =>
    `<p>See <a href="https://bog.example/${i % 2_500}">page ${i}</a> of the field book.</p>`;
  const links = await linksInThread(Array.from({ length: 6_000 }, (_, i) => link(i)).join(""));
  expect(links).toHaveLength(2_000);
  expect(links[1_999]).toEqual({ address: "https://bog.example/1999", title: "page 1999" });
});
