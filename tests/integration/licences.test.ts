import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { strFromU8, unzipSync } from "fflate";
import { expect, test } from "vitest";
import { getExport } from "@/http/export-route";
import { getReaderPage } from "@/http/reader-route";
import { officeInThread } from "@/outside/threads/in-thread";
import { as, makeWorld } from "./world";

const run = (program: string, ...args: string[]) => execFileSync(program, args, { encoding: "utf8" });

test("a licence is set by whatever name it is known by, goes out with the thing in every format, and is taken back", async () => {
  const { editor, team } = await makeWorld();
  const collection = (await as(editor, "collections.make", { team, title: "Open things" })).collection.id;
  const { resource } = await as(editor, "capture.work", {
    ...{ team, type: "book", title: "The free book", authors: ["Ona Weld"], collection },
    address: "https://licences.example/book",
  });
  await as(editor, "capture.work", { team, type: "book", title: "The other book", collection });
  const licence = async (words: string) =>
    (await as(editor, "resources.edit", { resource: resource.id, licence: words })).resource.licence;
  expect(await licence("https://creativecommons.org/licenses/by-nc/4.0/deed.de")).toBe("CC-BY-NC-4.0");
  expect(await licence("mit")).toBe("MIT");
  expect(await licence("CC BY-SA 4.0")).toBe("CC-BY-SA-4.0");
  await expect(licence("as you like")).rejects.toMatchObject({ code: "licence-unknown" });

  const { holds } = await as(editor, "share.look-over", { collection });
  expect(holds.licences).toEqual({ yes: 1, link: 0, unknown: 1 });
  const credit = /“The free book” by Ona Weld, licences\.example, CC BY-SA 4\.0/;
  const document = async (format: string) =>
    Buffer.from((await as(editor, "export.document", { collection, format })).base64, "base64");
  const pdf = path.join(mkdtempSync(path.join(os.tmpdir(), "hobbin-licences-")), "x.pdf");
  writeFileSync(pdf, await document("pdf"));
  const words = run("pdftotext", pdf, "-").replace(/\s+/g, " ");
  expect(words).toMatch(credit);
  // Of what nobody knows there is no credit.
  expect(words).not.toContain("“The other book”");
  expect((await officeInThread(await document("docx")))!.copy.text.replace(/\s+/g, " ")).toMatch(credit);
  expect(strFromU8(unzipSync(await document("epub"))["book/credits.xhtml"]!)).toContain(
    `<a href="https://creativecommons.org/licenses/by-sa/4.0/">CC BY-SA 4.0</a>`,
  );
  const csv = await as(editor, "export.collection", { collection, format: "csv" });
  expect(csv.content).toContain("CC BY-SA 4.0");
  const { token } = await as(editor, "tokens.make", { name: "Files" });
  const answer = await getExport(
    new Request("http://localhost/api/export/x?format=folder", {
      headers: { authorization: `Bearer ${token}` },
    }),
    { params: Promise.resolve({ collection }) },
  );
  const folder = unzipSync(new Uint8Array(await answer.arrayBuffer()));
  expect(strFromU8(folder["Open things/credits.html"]!)).toContain("“The free book” by Ona Weld");
  expect(strFromU8(folder["Open things/index.html"]!)).toContain(`href="credits.html"`);

  const { code } = await as(editor, "share.set", { collection, audience: "public" });
  const page = await getReaderPage(new Request("http://localhost/c/x"), {
    params: Promise.resolve({ code: code! }),
  });
  const text = await page.text();
  expect(text).toContain(
    `<a rel="license noreferrer" href="https://creativecommons.org/licenses/by-sa/4.0/">CC BY-SA 4.0</a>`,
  );
  expect(text).toContain(`"license":"https://creativecommons.org/licenses/by-sa/4.0/"`);

  const { entry } = await as(editor, "resources.edit", { resource: resource.id, licence: "" });
  expect((await as(editor, "resources.read", { resource: resource.id })).resource.licence).toBe("");
  await as(editor, "history.undo", { team, entry: entry! });
  expect((await as(editor, "resources.read", { resource: resource.id })).resource.licence).toBe(
    "CC-BY-SA-4.0",
  );
});
