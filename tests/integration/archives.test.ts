import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, expect, test } from "vitest";
import { getArchive } from "@/http/archive-route";
import { changingByItself } from "@/mechanism/changing";
import { putFile } from "@/services/files/put";
import { takeIn } from "@/services/files/uploads";
import { as, makeWorld, somebody, type World } from "./world";
import type { Actor } from "@/mechanism/actor";

let world: World;
const place = mkdtempSync(path.join(os.tmpdir(), "hobbin-archives-"));
const run = (program: string, args: string[], cwd?: string) =>
  execFileSync(program, args, { encoding: "utf8", cwd, stdio: ["ignore", "pipe", "pipe"] });
const LOCAL = /[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}/g;

async function take(actor: Actor, team: string, name: string) {
  const { token } = await as(actor, "tokens.make", { name: "Archive" });
  const answer = await getArchive(
    new Request("http://localhost/api/archive/x", { headers: { authorization: `Bearer ${token}` } }),
    { params: Promise.resolve({ team }) },
  );
  if (answer.status !== 200) return { status: answer.status, zip: "", bag: "" };
  const zip = path.join(place, `${name}.zip`);
  writeFileSync(zip, Buffer.from(await answer.arrayBuffer()));
  run("unzip", ["-q", zip, "-d", path.join(place, name)]);
  const [root] = readdirSync(path.join(place, name));
  return { status: answer.status, zip, bag: path.join(place, name, root!) };
}
const rows = (bag: string, table: string) =>
  readFileSync(path.join(bag, "data/tables", `${table}.jsonl`), "utf8")
    .split("\n")
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Record<string, unknown>);

beforeAll(async () => {
  world = await makeWorld();
  const { owner, editor, team, collection } = world;
  const week = (await as(editor, "collections.make", { team, title: "Week 1", parent: collection }))
    .collection.id;
  const { section } = await as(editor, "sections.make", { collection: week, title: "To begin" });
  for (const n of [1, 2, 3]) {
    const { resource, item } = await as(editor, "capture.work", {
      ...{ team, type: "book", title: `Book ${n}`, collection: week, section: section.id },
      address: `https://archive.example/${n}`,
    });
    await as(editor, "placements.edit", { placement: item!.id, context: `Because of ${n}` });
    await as(editor, "tags.add", { resource: resource.id, names: ["peat", `tag ${n}`] }).catch(
      () => undefined,
    );
    await as(editor, "resources.edit", { resource: resource.id, licence: "CC BY 4.0", notes: `For us ${n}` });
    if (n === 1)
      await as(editor, "resources.paste-text", { resource: resource.id, text: "Peat grows. ".repeat(40) });
    if (n === 3) await as(editor, "placements.remove", { placement: item!.id });
  }
  const upload = path.join(place, "plan.txt");
  writeFileSync(upload, `Water level in cm, ${team}`);
  const arrived = { person: owner.person!.id, team, name: "plan.txt", ...(await takeIn(upload, "plan.txt")) };
  const { id } = await changingByItself((tx, begin) => putFile(tx, begin({ team, person: null }), arrived));
  await as(editor, "placements.add", { collection: week, resource: id });
  await as(editor, "share.set", { collection, audience: "link", reach: "all" });
  await as(editor, "editions.keep", { collection, words: "The first" });
});

test("a team is taken along as a bag another program checks, with nothing that could be found elsewhere or opens a door", async () => {
  const { owner, editor, team } = world;
  expect((await take(editor, team, "no")).status).toBe(403);
  const { bag } = await take(owner, team, "first");
  // RFC 8493: the declaration, and every sum as sha256sum of GNU coreutils checks it.
  expect(readFileSync(path.join(bag, "bagit.txt"), "utf8")).toBe(
    "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n",
  );
  for (const manifest of ["manifest-sha256.txt", "tagmanifest-sha256.txt"])
    expect(run("sha256sum", ["--check", "--strict", manifest], bag)).not.toContain("FAILED");
  const listed = readFileSync(path.join(bag, "manifest-sha256.txt"), "utf8").trim().split("\n");
  const lying = readdirSync(path.join(bag, "data"), { recursive: true, withFileTypes: true }).filter((one) =>
    one.isFile(),
  );
  expect(listed.length).toBe(lying.length);
  const [, octets, streams] = /Payload-Oxum: (\d+)\.(\d+)/.exec(
    readFileSync(path.join(bag, "bag-info.txt"), "utf8"),
  )!;
  expect(Number(streams)).toBe(lying.length);
  expect(Number(octets)).toBeGreaterThan(1_000);

  expect(rows(bag, "resource").map((row) => row.title)).toEqual(
    expect.arrayContaining(["Book 1", "Book 2", "Book 3"]),
  );
  expect(rows(bag, "placement").filter((row) => row.deletedAt !== null)).toHaveLength(1);
  expect(rows(bag, "resource_text")[0]!.text).toContain("Peat grows.");
  expect(rows(bag, "event").length).toBeGreaterThan(5);
  const all = lying
    .filter((one) => !one.parentPath.includes("pages"))
    .map((one) => readFileSync(path.join(one.parentPath, one.name), "utf8"));
  for (const id of all.flatMap((text) => text.match(LOCAL) ?? []))
    // The file itself has the team's id in its words, which are its own.
    if (id !== team) expect(id).toMatch(/^00000000-0000-8000-800[0-3]-/);
  const people = readFileSync(path.join(bag, "data/people.jsonl"), "utf8");
  expect(people).toContain('"name":');
  for (const secret of ["@", "token", "password"]) expect(people).not.toContain(secret);
  // It can be looked through without Hobbin.
  expect(readFileSync(path.join(bag, "data/pages/index.html"), "utf8")).toContain('href="1/index.html"');
  expect(readFileSync(path.join(bag, "data/pages/1/part-2.html"), "utf8")).toContain("Because of 2");
  expect((await take(await somebody("Nobody"), team, "none")).status).toBe(404);
});
