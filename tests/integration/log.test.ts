import { text } from "node:stream/consumers";
import { eq } from "drizzle-orm";
import Papa from "papaparse";
import { expect, test } from "vitest";
import { clearBins } from "@/data/queries/bin";
import { clearKept } from "@/data/queries/log";
import { handout, logEntry, person, placement, suggestion } from "@/data/schema";
import { STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { auth } from "@/services/accounts/auth";
import { makeFile } from "@/services/export/make";
import { WHILE_ONE_WAITS } from "@/services/export/pages";
import { logAsCsv, takeLog } from "@/services/log/take";
import { arrive, as, makeWorld } from "./world";

const DAY = 86_400_000;
const daysAgo = (days: number) => new Date(Date.now() - days * DAY);

test("an owner sees who did what: let in, shared, took along, deleted, signed in; nobody's own, and nobody else sees it", async () => {
  const { owner, editor, viewer, team, collection, placement: item, resource } = await makeWorld();
  const start = Date.now();
  await as(owner, "invitations.send", { team, role: "viewer", addresses: ["kim@bog.example"] });
  const { invitation } = await as(editor, "guests.make-link", {
    collection,
    role: "contributor",
    short: true,
  });
  await as(editor, "guests.end-invitation", { collection, invitation: invitation.id });
  await as(owner, "members.set-role", { team, person: viewer.person!.id, role: "contributor" });
  await makeFile(editor, { collection, format: "markdown" }, WHILE_ONE_WAITS);
  await as(editor, "marks.export", { collection, format: "csv" });
  await as(owner, "archives.take", { team });
  await as(owner, "log.take", { team, kind: "deleted" });
  await as(editor, "marks.add", { resource, private: true, note: "zwischenruf" });
  await as(editor, "placements.remove", { placement: item });
  // Signing in is of no team: the owner sees that of who is in it.
  const { password } = { password: "a password of ours" };
  const email = `sal-${newId()}@bog.example`;
  await auth().api.signUpEmail({ body: { email, password, name: "=SUM(1;1)" } });
  await database().update(person).set({ emailVerified: true }).where(eq(person.email, email));
  const link = await as(owner, "invitations.make", { team, role: "viewer", most: 1 });
  const [sal] = await database().select().from(person).where(eq(person.email, email));
  const salActor = { person: { id: sal!.id, name: sal!.name, email }, share: null };
  await auth().api.signInEmail({ body: { email, password } });
  await as(salActor, "invitations.accept", { code: link.invitation.code });
  await auth().api.signInEmail({ body: { email, password } });

  const read = async (more: object = {}) => (await as(owner, "log.read", { team, ...more })).lines;
  const said = (lines: Awaited<ReturnType<typeof read>>) =>
    lines.filter(({ at }) => at.getTime() >= start).map(({ name, what, about }) => [name, what, about]);
  expect(said(await read({ kind: "people" }))).toEqual([
    // Once: the time before was before they were in the team.
    ["=SUM(1;1)", "signed-in", ""],
    ["=SUM(1;1)", "members.joined", "=SUM(1;1)"],
    ["owner", "invited", "by a link, as viewer, for 1"],
    ["owner", "members.set-role", "viewer"],
    ["editor", "invitation-ended", "a link"],
    ["editor", "invited", "by a code, as contributor, for 40"],
    ["owner", "invited", "kim@bog.example, as viewer"],
  ]);
  expect(said(await read({ kind: "taken" }))).toEqual([
    ["owner", "taken-out", "this log, csv"],
    ["owner", "archive-taken", ""],
    ["editor", "taken-out", "marks, csv"],
    ["editor", "taken-out", "markdown"],
  ]);
  expect(said(await read({ kind: "deleted" }))).toEqual([["editor", "placements.remove", ""]]);
  expect(JSON.stringify(await read())).not.toContain("zwischenruf");
  expect((await read({ person: editor.person!.id })).every(({ name }) => name === "editor")).toBe(true);
  const today = new Date().toISOString().slice(0, 10);
  const tomorrow = new Date(Date.now() + DAY).toISOString().slice(0, 10);
  expect((await read({ from: today, to: today })).length).toBeGreaterThan(5);
  expect(await read({ from: tomorrow })).toEqual([]);
  for (const name of ["log.read", "log.take", "teams.upkeep"] as const)
    await expect(as(editor, name, { team })).rejects.toMatchObject({ kind: "not-allowed" });

  // As a table: every line that is shown, in its order; what would be a formula is none.
  const { wish } = await takeLog.call(owner, { team });
  const { data } = Papa.parse<string[]>(await text(logAsCsv(wish)), { skipEmptyLines: true });
  expect(data[0]).toEqual(["When (UTC)", "Who", "What", "Collection", "About"]);
  const all = await read();
  expect(data.slice(1, all.length + 1).map(([at, , what]) => [at, what])).toEqual(
    all.map(({ at, what }) => [at.toISOString(), what]),
  );
  expect(data.find(([, , what]) => what === "signed-in")![1]).toBe("'=SUM(1;1)");
});

test("a log longer than a page is gone through whole, once each, also where moments are the same", async () => {
  const { owner, team } = await makeWorld();
  const at = daysAgo(1);
  await database()
    .insert(logEntry)
    .values(
      Array.from({ length: 250 }, (_, i) => ({
        ...{ id: newId(), at, team, person: owner.person!.id, what: "taken-out" as const, about: String(i) },
      })),
    );
  const seen: string[] = [];
  let next: { at: Date; line: string } | null = null;
  do {
    const page: Awaited<ReturnType<typeof as<"log.read">>> = await as(owner, "log.read", {
      ...{ team, kind: "taken" },
      ...(next && { at: next.at.toISOString(), line: next.line }),
    });
    seen.push(...page.lines.map(({ about }) => about));
    ({ next } = page);
  } while (next);
  expect(seen).toHaveLength(250);
  expect(new Set(seen).size).toBe(250);
});

test("each team keeps things for as long as it says, and what waits or goes on is not touched", async () => {
  const [short, long] = [await makeWorld(), await makeWorld()];
  const keep = { bin: 7, log: 30, suggestions: 30, handouts: 30 };
  await as(short.owner, "teams.keep", { team: short.team, ...keep });
  expect(await as(short.owner, "teams.upkeep", { team: short.team })).toMatchObject({ keeps: keep });
  await expect(as(short.owner, "teams.keep", { team: short.team, bin: 0 })).rejects.toMatchObject({
    errors: [expect.objectContaining({ field: "bin" })],
  });
  const worlds = [short, long];
  const set = await Promise.all(
    worlds.map(async ({ owner, team, collection, placement: item }) => {
      await as(owner, "placements.remove", { placement: item });
      await database()
        .update(placement)
        .set({ deletedAt: daysAgo(10) })
        .where(eq(placement.id, item));
      await database()
        .insert(logEntry)
        .values({ id: newId(), at: daysAgo(60), team, what: "archive-taken" });
      const { link } = await as(owner, "suggestions.set-page", { collection, open: true });
      const [decided, waits] = [newId(), newId()];
      for (const one of [decided, waits])
        await as(STRANGER, "suggestions.offer", { page: link, suggestion: one, name: "Ida", text: "Look" });
      await as(owner, "suggestions.decline", { collection, suggestions: [decided] });
      await database()
        .update(suggestion)
        .set({ createdAt: daysAgo(60) })
        .where(eq(suggestion.team, team));
      const { group } = await as(owner, "groups.make", { team, title: "7b", names: ["Ida"] });
      const out = async () =>
        (await as(owner, "handouts.make", { collection, group: group.id, writes: true })).handout.id;
      const [over, goesOn] = [await out(), await out()];
      await database()
        .update(handout)
        .set({ createdAt: daysAgo(60) })
        .where(eq(handout.team, team));
      await database()
        .update(handout)
        .set({ until: daysAgo(-5) })
        .where(eq(handout.id, goesOn));
      return { item, decided, waits, over, goesOn };
    }),
  );
  await clearBins(database(), new Date());
  await clearKept(database(), new Date(), 400);
  const there = async (table: typeof placement | typeof suggestion | typeof handout, id: string) =>
    (await database().select({ id: table.id }).from(table).where(eq(table.id, id))).length === 1;
  for (const [i, { item, decided, waits, over, goesOn }] of set.entries()) {
    const kept = worlds[i] === long;
    expect([
      await there(placement, item),
      await there(suggestion, decided),
      await there(handout, over),
      (await database().select().from(logEntry).where(eq(logEntry.team, worlds[i]!.team))).some(
        ({ at }) => at < daysAgo(50),
      ),
    ]).toEqual([kept, kept, kept, kept]);
    expect([await there(suggestion, waits), await there(handout, goesOn)]).toEqual([true, true]);
  }
});

test("the space a team uses counts each stored file once, and no other team's", async () => {
  const { owner, team, collection } = await makeWorld();
  const space = async () => (await as(owner, "teams.upkeep", { team })).space;
  const of = async (kind: string) => (await space()).find((one) => one.kind === kind)!;
  expect(await of("files")).toEqual({ kind: "files", files: 0, bytes: 0 });
  const file = "tests/reference/files/documents/with-pictures.docx";
  for (const name of ["sheet.docx", "the same sheet.docx"])
    await as(owner, "capture.file", {
      ...{ team, upload: arrive(owner, team, file, name), collection, section: null },
    });
  const { size } = await import("node:fs").then((fs) => fs.statSync(file));
  expect(await of("files")).toEqual({ kind: "files", files: 1, bytes: size });
});
