import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, expect, test } from "vitest";
import { getExport } from "@/http/export-route";
import { changingByItself } from "@/mechanism/changing";
import { putFile } from "@/services/files/put";
import { takeIn } from "@/services/files/uploads";
import { readOpml } from "@/core/formats/opml-read";
import type { ImportedFolder, ImportedLink } from "@/core/formats/imported";
import { as, makeWorld, type World } from "./world";

let world: World;
let course: string;
let token: string;
const place = mkdtempSync(path.join(os.tmpdir(), "hobbin-folders-"));
const run = (program: string, ...args: string[]) =>
  execFileSync(program, args, { encoding: "utf8", stdio: ["ignore", "pipe", "pipe"] });
/** Every path in a folder, with slashes, from its top. */
const pathsIn = (folder: string) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile())
    .map((one) => path.relative(folder, path.join(one.parentPath, one.name)));
/** What leads to another file of the same folder. */
const RELATIVE = /(?:href|src|data-src|url)(?:="|\()(?!https?:|mailto:|data:|#)([^"#)]+)/g;

const linksIn = ({ children }: ImportedFolder): ImportedLink[] =>
  children.flatMap((one) => (one.type === "link" ? [one] : linksIn(one)));

const get = async (query: string) => {
  const request = new Request(`http://localhost/api/export/${course}?${query}`, {
    headers: { authorization: `Bearer ${token}` },
  });
  const answer = await getExport(request, { params: Promise.resolve({ collection: course }) });
  expect(answer.status, query).toBe(200);
  return { answer, bytes: Buffer.from(await answer.arrayBuffer()) };
};
/** Unpacked by Debian's unzip, which checks every sum. */
const unpacked = async (query: string, name: string) => {
  const { bytes } = await get(query);
  const zip = path.join(place, `${name}.zip`);
  writeFileSync(zip, bytes);
  const folder = path.join(place, name);
  run("unzip", "-q", zip, "-d", folder);
  return folder;
};

beforeAll(async () => {
  world = await makeWorld();
  const { editor, team } = world;
  token = (await as(editor, "tokens.make", { name: "Folders" })).token;
  course = (await as(editor, "collections.make", { team, title: "Bogs <in> winter" })).collection.id;
  const week = (await as(editor, "collections.make", { team, title: "Week 1 & ice", parent: course }))
    .collection.id;
  await as(editor, "sections.make", { collection: week, title: "To begin" });
  for (const n of [1, 2, 3]) {
    const { item } = await as(editor, "capture.work", {
      ...{ team, type: "book", title: `Book ${n}`, address: `https://folders.example/${n}?a=1&b=2` },
      ...{ collection: n === 1 ? course : week },
    });
    await as(editor, "placements.edit", {
      placement: item!.id,
      context: `Because of reason ${n} \u0007& <no> other`,
      forReaders: n !== 3,
    });
  }
  const upload = path.join(place, "plan.txt");
  writeFileSync(upload, "Water level in cm, by the week");
  const arrived = {
    ...{ person: editor.person!.id, team, name: "the plan & more.txt" },
    ...(await takeIn(upload, "the plan & more.txt")),
  };
  const { id } = await changingByItself((tx, begin) => putFile(tx, begin({ team, person: null }), arrived));
  await as(editor, "placements.add", { collection: week, resource: id });
  const note = await as(editor, "capture.note", { team, text: "Step\nby step", collection: week });
  await as(editor, "resources.paste-text", { resource: note.resource.id, text: "Peat grows. ".repeat(60) });
  await as(editor, "placements.edit", { placement: note.item!.id, givesCopy: true });
});

test("as a folder for a stick it is what readers see; every link in it leads to a file in it", async () => {
  const folder = path.join(await unpacked("format=folder", "stick"), "Bogs in winter");
  const paths = pathsIn(folder);
  expect(paths).toEqual(expect.arrayContaining(["index.html", "part-2.html", "everything.html"]));
  const text = (one: string) => readFileSync(path.join(folder, one), "utf8");
  for (const page of paths.filter((one) => one.endsWith(".html")))
    for (const [, to] of text(page).matchAll(RELATIVE)) {
      const target = path.join(path.dirname(page), decodeURIComponent(to!.replaceAll("&amp;", "&")));
      expect(paths, `${page} leads to ${to}`).toContain(target);
    }
  const everything = text("everything.html");
  expect(everything).toContain("Because of reason 1");
  expect(everything).toContain("Week 1 &amp; ice");
  // It is not for readers, so it does not go out.
  expect(paths.map((one) => (one.endsWith(".html") ? text(one) : "")).join()).not.toContain("reason 3");
  expect(paths.filter((one) => one.startsWith("copies/"))).toHaveLength(1);
  expect(text(paths.find((one) => one.startsWith("files/"))!)).toBe("Water level in cm, by the week");
  expect(text("index.html")).not.toMatch(/src="http|og:image|icon\.svg/);
  expect(paths).not.toContain("references.html");
  const cited = path.join(await unpacked("format=folder&style=apa", "cited"), "Bogs in winter");
  expect(readFileSync(path.join(cited, "references.html"), "utf8")).toContain("<i>Book 1</i>");
  expect(readFileSync(path.join(cited, "part-2.html"), "utf8")).toContain('href="references.html"');
});

test("a file that is gone from the store is left out, and the rest is whole", async () => {
  const { content } = await as(world.editor, "export.folder", { collection: course });
  const { cartridgeFiles } = await import("@/services/export/folder");
  const files = [...cartridgeFiles({ name: "x", at: new Date(), content: gone(content), references: null })];
  const missing = files.find((one) => one.path.startsWith("files/"))!;
  expect(await missing.content()).toBeNull();
  const { zipped } = await import("@/outside/zip");
  const zip = path.join(place, "gone.zip");
  const chunks: Buffer[] = [];
  for await (const chunk of zipped(files, new Date(0))) chunks.push(chunk as Buffer);
  writeFileSync(zip, Buffer.concat(chunks));
  expect(run("unzip", "-t", zip)).toContain("No errors detected");
});
const gone = <C>(content: C): C =>
  JSON.parse(JSON.stringify(content).replace(/"hash":"[\da-f]{64}"/g, `"hash":"${"0".repeat(64)}"`)) as C;

test("for a learning platform every unit, link and file stands in the manifest once, and every reference holds", async () => {
  const folder = await unpacked("format=cartridge", "cartridge");
  const paths = pathsIn(folder);
  const manifest = readFileSync(path.join(folder, "imsmanifest.xml"), "utf8");
  for (const xml of paths.filter((one) => one.endsWith(".xml")))
    run("xmllint", "--noout", "--nonet", path.join(folder, xml));
  // Common Cartridge 1.3, 3.1: what is not in the manifest is not in the package, and the other way round.
  const listed = [...manifest.matchAll(/<file href="([^"]*)"/g)].map((one) => decodeURIComponent(one[1]!));
  expect([...listed, "imsmanifest.xml"].sort()).toEqual([...paths].sort());
  const resources = [...manifest.matchAll(/<resource identifier="([^"]*)"/g)].map((one) => one[1]);
  const named = [...manifest.matchAll(/identifierref="([^"]*)"/g)].map((one) => one[1]);
  expect(named.sort()).toEqual(resources.sort());
  expect(new Set(resources).size).toBe(resources.length);
  const links = paths.filter((one) => one.startsWith("links/"));
  expect(links).toHaveLength(2);
  expect(links.map((one) => readFileSync(path.join(folder, one), "utf8")).join()).toContain(
    `<url href="https://folders.example/2?a=1&amp;b=2" target="_blank"/>`,
  );
  expect(manifest.indexOf("Book 1")).toBeLessThan(manifest.indexOf("Week 1 &amp; ice"));
  const overviews = paths.filter((one) => one.startsWith("pages/overview-"));
  expect(overviews.map((one) => readFileSync(path.join(folder, one), "utf8")).join()).toContain(
    "Because of reason 2 &amp; &lt;no&gt; other",
  );
});

test("learners are handed their side; the code beside each item is read back as where it leads", async () => {
  await as(world.editor, "share.set", { collection: course, audience: "link", reach: "all" });
  const { bytes } = await get("format=sheet&paper=letter");
  const file = path.join(place, "sheet.pdf");
  writeFileSync(file, bytes);
  expect(run("qpdf", "--check", file)).toContain("No syntax or stream encoding errors found");
  const words = run("pdftotext", file, "-");
  expect(words).toContain("Because of reason 2");
  expect(words).not.toContain("reason 3");
  run("pdftoppm", "-r", "150", "-png", file, path.join(place, "sheet"));
  const pages = readdirSync(place).filter((one) => /^sheet-\d+\.png$/.test(one));
  const read = pages.flatMap((one) =>
    run("zbarimg", "--quiet", "--raw", path.join(place, one)).trim().split("\n"),
  );
  const { code } = await as(world.editor, "share.read", { collection: course });
  for (const expected of [
    `/c/${code}`,
    "https://folders.example/1?a=1&b=2",
    "https://folders.example/2?a=1&b=2",
  ])
    expect(
      read.some((one) => one.endsWith(expected)),
      `${expected} in ${read.join()}`,
    ).toBe(true);
  // A file is had from the page of the course.
  expect(read.filter((one) => /\/c\/[^/]+\/in\/[^/]+\/f\//.test(one))).toHaveLength(1);
});

test("as an outline it comes back as it went out; as plain text and linked data everything is in it", async () => {
  const opml = (await get("format=opml")).bytes.toString();
  writeFileSync(path.join(place, "x.opml"), opml);
  run("xmllint", "--noout", "--nonet", path.join(place, "x.opml"));
  const back = linksIn(readOpml(opml).root);
  expect(back.map((one) => [one.title, one.address, one.context])).toEqual(
    [1, 2, 3].map((n) => [
      `Book ${n}`,
      `https://folders.example/${n}?a=1&b=2`,
      `Because of reason ${n} & <no> other`,
    ]),
  );
  const text = (await get("format=links")).bytes.toString();
  expect(text).toMatch(/^Bogs <in> winter\n=+\n\n1\. Book 1\n {3}https:\/\/folders\.example\/1\?a=1&b=2\n/);
  const markdown = (await get("format=markdown&style=apa")).bytes.toString();
  expect(markdown).toMatch(
    /\n## References\n\n\*Book 1\*\. \(n\.d\.\)\. <https:\/\/folders\.example\/1\?a=1&b=2>/,
  );
  const data = JSON.parse((await get("format=json-ld")).bytes.toString()) as { hasPart: { name: string }[] };
  expect(data.hasPart.map((one) => one.name)).toEqual(["Book 1", "Week 1 & ice"]);
});
