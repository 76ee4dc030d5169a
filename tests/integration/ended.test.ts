import { eq } from "drizzle-orm";
import { expect, test } from "vitest";
import { handleAuth } from "@/http/auth-route";
import { eventsWritten } from "@/data/queries/events";
import { event, mailMessage, person, placement as placementTable } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { auth } from "@/services/accounts/auth";
import { actorOf } from "@/services/accounts/actor-of-request";
import { receiveMail } from "@/services/messages/receive";
import { as, makeWorld } from "./world";

const letter = (from: string, to: string, subject: string) =>
  Buffer.from(
    `From: ${from}\r\nTo: ${to}\r\nSubject: ${subject}\r\nMessage-ID: <${newId()}@bog.example>\r\n\r\nHello\r\n`,
  );
const subjectsOf = async (team: string) =>
  (await database().select().from(mailMessage).where(eq(mailMessage.team, team))).map((row) => row.subject);

test("what is held for one, and what one does with one's own Tray, nobody else of the team hears", async () => {
  const { editor, owner, team, resource } = await makeWorld();
  const { address } = await as(editor, "messages.make-address", { team });
  await receiveMail([address], letter("stranger@else.example", address, "About your illness"));
  await as(editor, "tray.set", { resource, state: "waiting" });
  const since = new Date(Date.now() - 60_000);
  const heard = async (who: Actor) =>
    (await eventsWritten(database(), since, [team], who.person!.id, 1_000)).map((one) => one.verb);
  expect(await heard(editor)).toEqual(expect.arrayContaining(["messages.held", "tray.set"]));
  for (const verb of ["messages.held", "tray.set"]) expect(await heard(owner)).not.toContain(verb);
  const told = JSON.stringify([
    await as(owner, "events.recent", { team }),
    await as(owner, "resources.history", { resource }),
  ]);
  expect(told).not.toMatch(/illness|tray\.set/);
  // It is written down all the same, for the one it is for.
  expect(await database().select().from(event).where(eq(event.onlyFor, editor.person!.id))).not.toHaveLength(
    0,
  );
});

test("who was taken out of a team, or only looks at it by now, brings nothing in by mail any more", async () => {
  const { editor, contributor, owner, team } = await makeWorld();
  const box = async (who: Actor) => (await as(who, "messages.make-address", { team })).address;
  const [out, lower] = [await box(editor), await box(contributor)];
  const send = (to: string, from: Actor, subject: string) =>
    receiveMail([to], letter(from.person!.email, to, subject));
  await send(out, editor, "Before");
  await as(owner, "members.remove", { team, person: editor.person!.id });
  await as(owner, "members.set-role", { team, person: contributor.person!.id, role: "viewer" });
  await send(out, editor, "After");
  await send(lower, contributor, "After, too");
  expect(await subjectsOf(team)).toEqual(["Before"]);
  // Asked in again, they make a new address.
  const { invitation } = await as(owner, "invitations.make", { team, role: "editor" });
  await as(editor, "invitations.accept", { code: invitation.code });
  await send(out, editor, "To the old one");
  expect(await subjectsOf(team)).toEqual(["Before"]);
});

/** Asks the accounts library as a browser does. @returns its answer, with the cookie it gives */
async function account(path: string, body: object, cookie = "") {
  const answer = await handleAuth(
    new Request(`http://localhost:4800/api/auth/${path}`, {
      method: "POST",
      headers: { "content-type": "application/json", origin: "http://localhost:4800", cookie },
      body: JSON.stringify(body),
    }),
  );
  return {
    status: answer.status,
    cookie: answer.headers
      .getSetCookie()
      .map((one) => one.split(";")[0])
      .join("; "),
  };
}

test("a new password ends access tokens and paired browsers; a wrong one ends nothing", async () => {
  const email = `ama-${newId()}@test.example`;
  const password = "a password of ours";
  await auth().api.signUpEmail({ body: { email, password, name: "Ama" } });
  await database().update(person).set({ emailVerified: true }).where(eq(person.email, email));
  const { cookie } = await account("sign-in/email", { email, password });
  const me = await actorOf(new Headers({ cookie }));
  const { token } = await as(me, "tokens.make", { name: "Script" });
  const { code } = await as(me, "tokens.offer", {});
  const { token: paired } = await as({ person: null, share: null }, "tokens.pair", { code, name: "Browser" });
  const { code: open } = await as(me, "tokens.offer", {});
  const who = (of: string) => actorOf(new Headers({ authorization: `Bearer ${of}` }));
  const change = (currentPassword: string) =>
    account(
      "change-password",
      { currentPassword, newPassword: "another password", revokeOtherSessions: true },
      cookie,
    );
  expect((await change("not this one")).status).toBeGreaterThanOrEqual(400);
  for (const one of [token, paired]) expect((await who(one)).person!.email).toBe(email);
  expect((await change(password)).status).toBe(200);
  for (const one of [token, paired]) await expect(who(one)).rejects.toMatchObject({ code: "token-ended" });
  await expect(
    as({ person: null, share: null }, "tokens.pair", { code: open, name: "Browser" }),
  ).rejects.toMatchObject({ code: "pairing-ended" });
});

test("a paired browser takes back what it has just brought in, and deletes nothing else", async () => {
  const { editor, owner, team, collection, placement, resource } = await makeWorld();
  const browser: Actor = { ...editor, only: "capture" };
  const saved = await as(browser, "capture.address", {
    team,
    collection,
    address: `https://bog.example/${newId()}`,
  });
  const late = await as(browser, "capture.address", {
    team,
    collection,
    address: `https://bog.example/${newId()}`,
  });
  const before = new Date(Date.now() - 2 * 3_600_000);
  await database()
    .update(placementTable)
    .set({ createdAt: before })
    .where(eq(placementTable.id, late.item!.id));
  await as(browser, "placements.remove", { placement: saved.item!.id });
  const refused: [Parameters<typeof as>[1], object][] = [
    ["placements.remove", { placement }],
    ["placements.remove", { placement: late.item!.id }],
    ["resources.remove", { resource }],
  ];
  for (const [name, input] of refused)
    await expect(as(browser, name, input)).rejects.toMatchObject({ code: "only-captures" });
  await as(browser, "resources.remove", { resource: saved.resource.id });
  // With their own hands people do as their role allows.
  await as(owner, "placements.remove", { placement });
});
