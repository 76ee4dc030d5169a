import { execFileSync } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, expect, test } from "vitest";
import { getAboutMe, getArchive } from "@/http/archive-route";
import { setArchiveImport } from "@/data/archive/load";
import type { Actor } from "@/mechanism/actor";
import { eq, sql } from "drizzle-orm";
import { SCREENING, STARTER } from "@/core/appraise/starter-criteria";
import { edition, newsletterIssue } from "@/data/schema";
import { changingByItself, database } from "@/mechanism/changing";
import { addressHash, sha256 } from "@/outside/hash";
import { newId } from "@/outside/random";
import { bringBack } from "@/services/archives/come-back";
import { putFile } from "@/services/files/put";
import { takeIn } from "@/services/files/uploads";
import { arrive, as, makeWorld, somebody, type World } from "./world";

let world: World;
const place = mkdtempSync(path.join(os.tmpdir(), "hobbin-archives-"));
const run = (program: string, args: string[], cwd?: string) =>
  execFileSync(program, args, { encoding: "utf8", cwd, stdio: ["ignore", "pipe", "pipe"] });
/** Ids are all of a text; what people wrote may look like one. */
const LOCAL = /(?<=")[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}(?=")/g;

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
    await as(editor, "tags.add", { resource: resource.id, tags: ["peat", `tag ${n}`] });
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
  const xml = readFileSync("tests/integration/files/styles/notes-on-mires.csl", "utf8");
  const { style } = await as(editor, "references.add-style", { team, xml });
  await as(editor, "collections.edit", { collection, citationStyle: style.id });
  await as(editor, "share.set", { collection, audience: "link", reach: "all" });
  await as(editor, "editions.keep", { collection, words: "The first" });
  await judge(week);
  const gone = (await as(editor, "collections.make", { team, title: "Gone" })).collection.id;
  for (const into of [week, gone])
    await as(editor, "rules.save", {
      ...{ team, rule: newId(), name: "From the bog", host: "bog.example", tags: ["bog"], acts: true },
      collection: into,
    });
  await database().execute(sql`DELETE FROM collection WHERE id = ${gone}`);
  const [kept] = await database()
    .select({ id: edition.id })
    .from(edition)
    .where(eq(edition.collection, collection));
  await database()
    .insert(newsletterIssue)
    .values({
      ...{ id: newId(), collection, edition: kept!.id, subject: "March", readers: 3 },
      createdAt: new Date("2026-03-01"),
    });
});

/** A blind round in which the editor has judged, and somebody shall who has done nothing yet; one that was settled; outcomes. */
async function judge(collection: string) {
  const { owner, editor, contributor, team } = world;
  const { criteria } = await as(editor, "criteria.save", {
    team,
    name: "A source",
    content: [...STARTER.criteria, ...SCREENING.criteria],
  });
  const people = [editor, contributor].map((one) => one.person!.id);
  const wish = { team, criteria: criteria.id, collection, people, each: 2 };
  const say = async (title: string, blind: boolean, why: string) => {
    const { round } = await as(owner, "rounds.start", { ...wish, title, blind });
    const { things } = await as(owner, "rounds.look", { round: round.id });
    const resource = things[0]!.resource.id;
    const given = { resource, criteria: criteria.id, number: 1, round: round.id };
    await as(editor, "appraisals.give", { ...given, answers: { accuracy: { step: 2, why } } });
    return { round: round.id, resource };
  };
  await say("Blind", true, "zirkelwort");
  const settled = await say("Open", false, "It names no source.");
  await as(owner, "rounds.edit", { round: settled.round, state: "settling" });
  await as(editor, "appraisals.agree", { ...settled, answers: { accuracy: { step: 3 } } });
  const next = { team, criteria: criteria.id, people, each: 2, title: "Next", blind: true };
  await as(owner, "rounds.start", { ...next, after: settled.round });
  const search = { kind: "database", source: "Bog Journal", words: "peat AND dams", hits: 7 };
  await as(editor, "search-records.save", { round: settled.round, searched: "2026-09-02", ...search });
  const { outcomes } = await as(editor, "outcomes.add", { team, text: "1 Peat\n1.1 Say how it grows" });
  const { items } = await as(editor, "collections.items", { collection });
  const serving = { placement: items[0]!.id, outcome: outcomes[1]!, degree: "part" };
  await as(editor, "outcomes.serve", serving);
  // What they did is so long ago that nothing is kept of it: they are named by what they shall judge alone.
  await database().execute(sql`DELETE FROM event WHERE actor = ${contributor.person!.id}`);
}

test("one is given everything about oneself, and nothing of others or that opens a door", async () => {
  const { editor, owner } = world;
  const { token } = await as(editor, "tokens.make", { name: "About" });
  const answer = await getAboutMe(
    new Request("http://localhost/api/about-me", { headers: { authorization: `Bearer ${token}` } }),
  );
  const text = await answer.text();
  const all = JSON.parse(text) as Record<string, Record<string, unknown>[]>;
  expect(all.person!.map((one) => one.id)).toEqual([editor.person!.id]);
  expect(all.access_token!.map((one) => one.name)).toContain("About");
  expect(all.event!.length).toBeGreaterThan(5);
  expect(text).not.toContain(token);
  expect(text).not.toContain(owner.person!.email);
});

test("a team is taken along as a bag another program checks, with nothing that could be found elsewhere or opens a door", async () => {
  const { owner, editor, team } = world;
  expect((await take(editor, team, "no")).status).toBe(403);
  const { bag } = await take(owner, team, "first");
  // What somebody thinks in a blind round is theirs alone until it is opened.
  expect(rows(bag, "appraisal").map((one) => JSON.stringify(one.answers))).toEqual([
    expect.stringContaining("It names no source."),
  ]);
  expect(rows(bag, "round_share").length).toBeGreaterThan(4);
  expect(rows(bag, "search_record")).toMatchObject([{ words: "peat AND dams", hits: 7 }]);
  expect(rows(bag, "round").filter((row) => row.after)).toHaveLength(1);
  expect([rows(bag, "agreed"), rows(bag, "outcome"), rows(bag, "serves")].map((all) => all.length)).toEqual([
    ...[1, 2, 1],
  ]);
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
  expect(rows(bag, "placement").filter((row) => row.deletedAt)).toHaveLength(1);
  expect(rows(bag, "resource_text")[0]!.text).toContain("Peat grows.");
  expect(rows(bag, "event").length).toBeGreaterThan(5);
  const all = lying
    .filter((one) => !one.parentPath.includes("pages"))
    .map((one) => readFileSync(path.join(one.parentPath, one.name), "utf8"));
  for (const id of all.flatMap((text) => text.match(LOCAL) ?? []))
    expect(id).toMatch(/^00000000-0000-8000-800[0-3]-/);
  const people = readFileSync(path.join(bag, "data/people.jsonl"), "utf8");
  expect(people).toContain('"name":');
  for (const secret of ["@", "token", "password"]) expect(people).not.toContain(secret);
  // It can be looked through without Hobbin.
  expect(readFileSync(path.join(bag, "data/pages/index.html"), "utf8")).toContain('href="1/index.html"');
  expect(readFileSync(path.join(bag, "data/pages/1/part-2.html"), "utf8")).toContain("Because of 2");
  expect((await take(await somebody("Nobody"), team, "none")).status).toBe(404);
});

async function comeBack(actor: Actor, team: string, zip: string) {
  const begun = await as(actor, "archives.bring-back", { upload: arrive(actor, team, zip, "archive.zip") });
  await bringBack(begun.import);
  const { imports } = await as(actor, "archives.read", {});
  return imports.find((one) => one.id === begun.import)!;
}
/** A bag packed again after something was done to it. */
function repacked(bag: string, name: string, change: (bag: string) => void, sums = true): string {
  const folder = path.join(place, name);
  cpSync(path.dirname(bag), folder, { recursive: true });
  const copy = path.join(folder, path.basename(bag));
  change(copy);
  if (sums) {
    const files = readdirSync(path.join(copy, "data"), { recursive: true, withFileTypes: true })
      .filter((one) => one.isFile())
      .map((one) => path.relative(copy, path.join(one.parentPath, one.name)));
    writeFileSync(path.join(copy, "manifest-sha256.txt"), run("sha256sum", files, copy));
  }
  const zip = path.join(place, `${name}.zip`);
  run("zip", ["-qr", zip, path.basename(copy)], folder);
  return zip;
}
/** What a bag of the form before had in every row, and one of this form leaves out. */
function asOfFormOne(bag: string): void {
  let count = 0xf0_0000;
  rewrite(bag, "resource_tag", (row) => ({
    id: `00000000-0000-8000-8000-${(++count).toString(16).padStart(12, "0")}`,
    ...row,
  }));
  rewrite(bag, "resource", (row) => ({
    ...{ authors: [], details: {}, typed: [] },
    ...(typeof row.address === "string" && row.address && { addressHash: addressHash(row.address) }),
    ...row,
  }));
  const head = path.join(bag, "data/archive.json");
  writeFileSync(head, JSON.stringify({ ...JSON.parse(readFileSync(head, "utf8")), version: 1 }));
}
const rewrite = (bag: string, table: string, change: (row: Record<string, unknown>) => object) =>
  writeFileSync(
    path.join(bag, "data/tables", `${table}.jsonl`),
    `${rows(bag, table)
      .map((row) => JSON.stringify(change(row)))
      .join("\n")}\n`,
  );

test("brought back by somebody else everything is there, in the same order; taken along again the bag is the same but for dates", async () => {
  const { owner, team } = world;
  const { zip, bag } = await take(owner, team, "going");
  const other = await somebody("Keeper");
  const { teams } = await as(other, "teams.read", {});
  const own = teams.find((one) => one.own)!.id;
  const back = await comeBack(other, own, zip);
  expect([back.state, back.problem, back.done]).toEqual(["done", null, back.total]);
  const { collections } = await as(other, "collections.tree", { team: back.team });
  const week = collections.find((one) => one.title === "Week 1")!;
  const read = await as(other, "collections.read", { collection: week.id });
  expect(read.items.map((item) => [item.resource.title, item.context])).toEqual([
    ["Book 1", "Because of 1"],
    ["Book 2", "Because of 2"],
    ["plan", ""],
  ]);
  const [book] = read.items;
  expect((await as(other, "resources.read", { resource: book!.resource.id })).resource).toMatchObject({
    ...{ licence: "CC-BY-4.0", notes: "For us 1", tags: ["peat", "tag 1"] },
  });
  expect((await as(other, "resources.text", { resource: book!.resource.id }))!.html).toContain("Peat grows.");
  // Its address is known again, though what that is found by follows from it and is left out of the bag.
  expect(rows(bag, "resource").find((row) => row.title === "Book 1")).not.toHaveProperty("addressHash");
  const addresses = ["https://archive.example/1"];
  expect(await as(other, "resources.known", { team: back.team, addresses })).toEqual({
    known: [book!.resource.id],
  });
  expect((await as(other, "bin.read", { team: back.team })).items.length).toBeGreaterThan(0);
  // Whoever made it is a name, and no member.
  expect((await as(other, "members.read", { team: back.team })).members.map((one) => one.name)).toEqual([
    "Keeper",
  ]);
  await expect(as(owner, "collections.tree", { team: back.team })).rejects.toMatchObject({
    code: "not-found",
  });
  // Done once more after a kill, nothing is there twice.
  await changingByItself((tx) =>
    setArchiveImport(tx, back.id, { state: "running", hash: sha256(readFileSync(zip)) }),
  );
  await bringBack(back.id);
  expect((await as(other, "collections.read", { collection: week.id })).items).toHaveLength(3);

  const again = await take(other, back.team, "again");
  const lines = (folder: string) =>
    readFileSync(path.join(folder, "manifest-sha256.txt"), "utf8")
      .split("\n")
      .filter((line) => line && !/data\/(archive\.json|pages\/)/.test(line));
  const differing = lines(again.bag).filter((line) => !lines(bag).includes(line));
  // Who keeps it now is first among the people; what came back is told of once more; codes are those of the one that goes on.
  expect(differing.map((line) => line.slice(66))).toEqual([
    "data/people.jsonl",
    "data/tables/event.jsonl",
    "data/tables/share_link.jsonl",
  ]);
});

test("an archive of the form before comes back as one of this form does", async () => {
  const { owner, team } = world;
  const { bag } = await take(owner, team, "of-before");
  const keeper = await somebody("Keeper of old things");
  const own = (await as(keeper, "teams.read", {})).teams.find((one) => one.own)!.id;
  const back = await comeBack(keeper, own, repacked(bag, "form-one", asOfFormOne));
  expect([back.state, back.problem]).toEqual(["done", null]);
  const again = (await take(keeper, back.team, "of-before-again")).bag;
  const said = (folder: string) =>
    rows(folder, "resource").map(({ title, address, addressHash, authors }) => ({
      ...{ title, address, addressHash, authors },
    }));
  expect(said(again)).toEqual(said(bag));
  expect(rows(again, "resource_tag")).toEqual(rows(bag, "resource_tag"));
});

test("an archive that is damaged, cut off, newer, built to be large, or reaches for what is not in it is refused in words, and leaves nothing", async () => {
  const { owner, team } = world;
  const { zip, bag } = await take(owner, team, "hurt");
  const refusedFor = async (file: string) => (await comeBack(owner, team, file)).problem;
  const cut = path.join(place, "cut.zip");
  writeFileSync(cut, readFileSync(zip).subarray(0, 5_000));
  expect(await refusedFor(cut)).toMatch(/no ZIP, or it is damaged/);
  const byte = repacked(
    bag,
    "byte",
    (copy) => {
      const file = path.join(copy, "data/tables/tag.jsonl");
      writeFileSync(file, readFileSync(file, "utf8").replace("peat", "peet"));
    },
    false,
  );
  expect(await refusedFor(byte)).toMatch(/data\/tables\/tag\.jsonl is not what its list says/);
  const newer = repacked(bag, "newer", (copy) => {
    const file = path.join(copy, "data/archive.json");
    writeFileSync(file, JSON.stringify({ ...JSON.parse(readFileSync(file, "utf8")), version: 99 }));
  });
  expect(await refusedFor(newer)).toMatch(/newer Hobbin/);
  const missing = repacked(bag, "missing", (copy) => rmSync(path.join(copy, "data/tables/tag.jsonl")), false);
  expect(await refusedFor(missing)).toMatch(/data\/tables\/tag\.jsonl is missing/);
  const more = repacked(bag, "more", (copy) => writeFileSync(path.join(copy, "data/x.txt"), "x"), false);
  expect(await refusedFor(more)).toMatch(/its list does not name: data\/x\.txt/);
  const bomb = repacked(bag, "bomb", (copy) =>
    writeFileSync(path.join(copy, "data/x.txt"), "0".repeat(30_000_000)),
  );
  expect(await refusedFor(bomb)).toMatch(/built to be large/);
  const climbing = repacked(
    bag,
    "climbing",
    (copy) => {
      const file = path.join(copy, "manifest-sha256.txt");
      writeFileSync(file, readFileSync(file, "utf8").replace("data/archive.json", "../archive.json"));
    },
    false,
  );
  expect(await refusedFor(climbing)).toMatch(/list of what is in the archive cannot be read/);

  // Another team's things by their real ids, another's file by its hash.
  const others = await makeWorld();
  const stranger = repacked(bag, "stranger", (copy) =>
    rewrite(copy, "placement", (row) => ({ ...row, resource: others.resource })),
  );
  expect(await refusedFor(stranger)).toMatch(/“resource” of a row of placement/);
  const kind = repacked(bag, "kind", (copy) =>
    rewrite(copy, "resource", (row) => ({ ...row, kind: "__proto__" })),
  );
  expect(await refusedFor(kind)).toMatch(/“kind” of a row of resource/);
  const script = repacked(bag, "script", (copy) =>
    rewrite(copy, "resource", (row) => ({ ...row, address: "javascript:alert(1)" })),
  );
  expect(await refusedFor(script)).toMatch(/“address” of a row of resource/);
  // Of none of them anything is left.
  const names = (await as(owner, "teams.read", {})).teams.map((one) => one.name);
  expect(names).not.toContain("An archive on its way back");

  const marked = repacked(bag, "marked", (copy) => {
    rewrite(copy, "resource_text", (row) => ({ ...row, html: `<p>Kept</p><script>alert(1)</script>` }));
    rewrite(copy, "collection", (row) => ({
      ...row,
      coverHash: "f".repeat(64),
      rich: `<p onclick="x()">Words</p>`,
    }));
  });
  const back = await comeBack(owner, team, marked);
  expect(back.state).toBe("done");
  const { collections } = await as(owner, "collections.tree", { team: back.team });
  const read = await as(owner, "collections.read", { collection: collections[0]!.id });
  expect([read.collection.rich, read.collection.coverHash]).toEqual(["<p>Words</p>", null]);
  const { items } = await as(owner, "collections.read", {
    collection: collections.find((one) => one.title === "Week 1")!.id,
  });
  expect((await as(owner, "resources.text", { resource: items[0]!.resource.id }))!.html).toBe("<p>Kept</p>");
});
