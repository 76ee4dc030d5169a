import { hashPassword } from "better-auth/crypto";
import { eq, sql } from "drizzle-orm";
import { beforeAll, expect, test } from "vitest";
import { queryRows } from "@/data/sql/query-rows";
import { account, job, person } from "@/data/schema";
import { KINDS } from "@/jobs/kinds";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { type Full, makeFull } from "./full-world";
import { as, makeWorld, somebody } from "./world";

const PASSWORD = " peat and moss 9 ";
const idOf = (actor: Actor) => actor.person!.id;

/** Gives somebody the password they sign in with. */
async function withPassword(actor: Actor): Promise<void> {
  await database()
    .insert(account)
    .values({
      ...{ id: newId(), userId: idOf(actor), accountId: idOf(actor), providerId: "credential" },
      ...{ password: await hashPassword(PASSWORD), createdAt: new Date(), updatedAt: new Date() },
    });
}

/** Does the work that is for whoever has left, as a worker does. */
async function workOff(): Promise<void> {
  const rows = await database()
    .select({ id: job.id, kind: job.kind, payload: job.payload })
    .from(job)
    .where(sql`${job.kind} IN ('people.erase', 'people.unsign', 'teams.erase')`);
  for (const { id, kind, payload } of rows) {
    await KINDS[kind]!.run(payload);
    await database().delete(job).where(eq(job.id, id));
  }
}

/** Where in the whole database a text stands: how many rows, by table and column. */
async function whereIs(text: string): Promise<Record<string, number>> {
  const columns = await queryRows<{ t: string; c: string }>(
    database(),
    sql`SELECT table_name AS t, column_name AS c FROM information_schema.columns
      WHERE table_schema = DATABASE() AND data_type IN ('uuid', 'char', 'varchar', 'text', 'mediumtext', 'longtext')`,
  );
  const found: Record<string, number> = {};
  for (const { t, c } of columns) {
    const [row] = await queryRows<{ many: number }>(
      database(),
      sql`SELECT COUNT(*) AS many FROM ${sql.identifier(t)} WHERE CAST(${sql.identifier(c)} AS CHAR) LIKE ${`%${text}%`}`,
    );
    if (Number(row!.many)) found[`${t}.${c}`] = Number(row!.many);
  }
  return found;
}

let full: Full;
beforeAll(async () => {
  full = await makeFull();
});

test("who leaves without their name is named nowhere in the team; what they made stays, and they have their account", async () => {
  const { team, editor, collection } = full;
  // Theirs alone, and theirs for all.
  const { resource } = await as(editor, "capture.address", {
    team,
    address: `https://bog.example/${newId()}`,
  });
  const { comment } = await as(editor, "comments.add", { collection, words: "The gauge is empty." });
  await as(editor, "collections.set-view", {
    collection,
    view: "board",
    sort: "own",
    down: false,
    columns: [],
  });
  await as(editor, "collections.be-here", { collection });
  await as(editor, "marks.add", { resource: resource.id, private: true, note: "mine alone" });
  await expect(
    as(full.owner, "members.remove", { team, person: idOf(editor), nameless: true }),
  ).rejects.toMatchObject({ code: "not-allowed" });
  await as(editor, "members.remove", { team, person: idOf(editor), nameless: true });
  await workOff();
  expect(Object.keys(await whereIs(idOf(editor))).sort()).toEqual([
    "membership.person",
    // These people's addresses have their ids in them.
    "person.email",
    "person.id",
    "team.own_of",
  ]);
  const { comments } = await as(full.owner, "comments.of-collection", { collection });
  expect(comments.find(({ id }) => id === comment.id)).toMatchObject({
    words: "The gauge is empty.",
    by: { name: null },
  });
  expect(await as(full.owner, "resources.read", { resource: resource.id })).toBeTruthy();
}, 120_000);

test("an account is deleted with what is its own; teams of one go whole, and a name stays where it was wished", async () => {
  const { team, collection } = full;
  const leaver = await somebody(`mira-${newId().slice(-6)}`);
  await withPassword(leaver);
  const { name, email } = leaver.person!;
  const { invitation } = await as(full.owner, "invitations.make", { team, role: "editor" });
  await as(leaver, "invitations.accept", { code: invitation.code });
  const { comment } = await as(leaver, "comments.add", { collection, words: "Signed." });
  const { teams, guestOf } = await as(leaver, "people.what-becomes", {});
  expect([teams.map(({ becomes }) => becomes).sort(), guestOf]).toEqual([["goes", "stays"], 0]);
  const own = teams.find((one) => one.own)!.id;
  const kept = await as(leaver, "collections.make", { team: own, title: "My own fen" });
  const { code } = await as(leaver, "share.set", { collection: kept.collection.id, audience: "link" });
  await as(leaver, "capture.address", { team: own, address: `https://bog.example/${newId()}` });
  await as(leaver, "people.set-page", { open: true, words: "Of the fens" });
  await as(full.owner, "follows.add", { team, kind: "person", what: leaver.person!.id });

  await expect(
    as(leaver, "people.delete", { password: PASSWORD.trim(), withName: true }),
  ).rejects.toMatchObject({ errors: [expect.objectContaining({ field: "password" })] });
  await as(leaver, "people.delete", { password: PASSWORD, withName: true });
  // At once, before anything is erased.
  await expect(
    as({ person: null, share: code! }, "reader.read", { collection: kept.collection.id }),
  ).rejects.toMatchObject({ kind: "not-found" });
  const page = { of: leaver.person!.id };
  await expect(as(full.owner, "shelves.of-person", page)).rejects.toMatchObject({ kind: "not-found" });
  await workOff();
  expect(await whereIs("Of the fens")).toEqual({});
  expect(await whereIs(email)).toEqual({});
  expect(await whereIs(own)).toEqual({});
  expect(await whereIs("My own fen")).toEqual({});
  expect(await whereIs(name)).toEqual({ "person.name": 1 });
  expect(
    (
      await database()
        .select()
        .from(person)
        .where(eq(person.id, idOf(leaver)))
    )[0],
  ).toMatchObject({
    email: `${idOf(leaver)}@gone.invalid`,
  });
  const { comments } = await as(full.owner, "comments.of-collection", { collection });
  expect(comments.find(({ id }) => id === comment.id)).toMatchObject({ by: { name } });
}, 120_000);

test("without a name nothing is left that says who it was", async () => {
  const { team, contributor } = full;
  await withPassword(contributor);
  await as(contributor, "people.delete", { password: PASSWORD, withName: false });
  await workOff();
  expect(await whereIs(contributor.person!.email)).toEqual({});
  // What they made says it was one and the same, whoever that was.
  expect(
    Object.keys(await whereIs(idOf(contributor))).filter((one) => /person|own_of|user/.test(one)),
  ).toEqual(
    expect.not.arrayContaining(["person.id", "membership.person", "team.own_of", "tray_entry.person"]),
  );
  expect((await as(full.owner, "members.read", { team })).members.map(({ id }) => id)).not.toContain(
    idOf(contributor),
  );
}, 120_000);

test("the last owner hands over first; of two who go at once one stays", async () => {
  const { owner, editor, viewer, team } = await makeWorld();
  await withPassword(owner);
  const remove = (who: Actor) => as(who, "people.delete", { password: PASSWORD, withName: true });
  await expect(remove(owner)).rejects.toMatchObject({
    code: "hand-over-first",
    detail: expect.stringContaining("Test team"),
  });
  await as(owner, "members.set-role", { team, person: idOf(editor), role: "owner" });
  await withPassword(editor);
  const done = await Promise.allSettled([remove(owner), remove(editor)]);
  expect(done.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
  const { members } = await as(viewer, "members.read", { team });
  expect(members.filter(({ role }) => role === "owner")).toHaveLength(1);
});

test("who comes in while the only one who is there deletes their account is let in, or the team goes: never into a team that is erased", async () => {
  for (let i = 0; i < 8; i++) {
    const alone = await somebody("alone");
    await withPassword(alone);
    const { team } = await as(alone, "teams.make", { name: "Just made" });
    const { invitation } = await as(alone, "invitations.make", { team: team.id, role: "viewer" });
    const comer = await somebody("comer");
    const [came, deleted] = await Promise.allSettled([
      as(comer, "invitations.accept", { code: invitation.code }),
      as(alone, "people.delete", { password: PASSWORD, withName: true }),
    ]);
    expect([came.status, deleted.status].sort()).toEqual(["fulfilled", "rejected"]);
    const there = (await as(comer, "teams.read", {})).teams.some((one) => one.id === team.id);
    expect(there).toBe(came.status === "fulfilled");
  }
});

test("a guest of two collections of a team leaves one with their name on, or both", async () => {
  const { owner, editor, collection, team } = await makeWorld();
  const guest = await somebody("guest");
  const { collection: other } = await as(editor, "collections.make", { team, title: "Another" });
  for (const into of [collection, other.id]) {
    const { invitation } = await as(editor, "guests.make-link", { collection: into, role: "editor" });
    await as(guest, "invitations.accept", { code: invitation.code });
  }
  const leave = (from: string, nameless: boolean) =>
    as(guest, "guests.remove", { collection: from, person: idOf(guest), nameless });
  await expect(leave(collection, true)).rejects.toMatchObject({ code: "still-here" });
  expect((await as(owner, "guests.read", { collection })).guests).toHaveLength(1);
  await leave(collection, false);
  await leave(other.id, true);
  await workOff();
  expect(Object.keys(await whereIs(idOf(guest))).sort()).toEqual([
    "membership.person",
    // These people's addresses have their ids in them.
    "person.email",
    "person.id",
    "team.own_of",
  ]);
});
