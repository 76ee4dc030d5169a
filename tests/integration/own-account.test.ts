import { hashPassword } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { expect, test } from "vitest";
import { NOTICE_KINDS } from "@/core/talk/notices";
import { account, job, person, session } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { unseal } from "@/outside/seal";
import { as, makeWorld, somebody } from "./world";

const PASSWORD = "peat and water and moss";

/** Somebody who signs in by a password, in two browsers. */
async function signedIn(): Promise<{ who: Actor; other: string }> {
  const made = await somebody("mira");
  const { id } = made.person!;
  const at = new Date();
  await database()
    .insert(account)
    .values({
      ...{ id: newId(), userId: id, accountId: id, providerId: "credential" },
      ...{ password: await hashPassword(PASSWORD), createdAt: at, updatedAt: at },
    });
  const sessions = ["Firefox/140.0 (X11; Linux)", "Chrome/140.0 (Windows NT)"].map((userAgent) => ({
    ...{ id: newId(), token: newId(), userId: id, userAgent, ipAddress: "10.0.0.1" },
    ...{ createdAt: at, updatedAt: at, expiresAt: new Date(at.getTime() + 1e9) },
  }));
  await database().insert(session).values(sessions);
  return { who: { ...made, by: { kind: "session", id: sessions[0]!.id } }, other: sessions[1]!.id };
}
type Letter = { to: string; subject: string; text: string };
const lettersTo = async (address: string): Promise<Letter[]> =>
  (await database().select().from(job).where(eq(job.kind, "messages.send")))
    .map(({ payload }) => JSON.parse(unseal(String(payload.letter))) as Letter)
    .filter(({ to }) => to === address);
const emailOf = async ({ person: who }: Actor) =>
  (await database().select().from(person).where(eq(person.id, who!.id)))[0]!.email;
const tokenIn = ({ text }: Letter) => decodeURIComponent(/address=([\w%-]+)/.exec(text)![1]!);
const fresh = () => `${newId()}@bog.example`;

test("another address holds once a letter to it was followed, the old one is told, and sessions elsewhere end", async () => {
  const { who } = await signedIn();
  const [before, address] = [who.person!.email, fresh()];
  const ask = (wish: object = {}) =>
    as(who, "people.change-address", { address, password: PASSWORD, ...wish });
  await expect(ask({ password: "wrong" })).rejects.toMatchObject({ code: "password-wrong" });
  await expect(ask({ address: "none" })).rejects.toMatchObject({ code: "mail-address-wrong" });
  await expect(ask({ address: before })).rejects.toMatchObject({ code: "address-is-yours" });
  expect(await lettersTo(address)).toEqual([]);
  await ask();
  expect(await emailOf(who)).toBe(before);
  expect((await lettersTo(before)).map((one) => one.subject)).toEqual(["Your address is to be changed"]);
  const [letter] = await lettersTo(address);
  const token = tokenIn(letter!);

  const { who: stranger } = await signedIn();
  const no = { code: "address-change-ended" };
  await expect(as(stranger, "people.confirm-address", { token })).rejects.toMatchObject(no);
  const other = `${token.slice(0, -2)}${token.endsWith("A") ? "BB" : "AA"}`;
  await expect(as(who, "people.confirm-address", { token: other })).rejects.toMatchObject(no);
  await as(who, "people.confirm-address", { token });
  expect(await emailOf(who)).toBe(address);
  const { sessions } = await as(who, "sessions.read", {});
  expect(sessions).toMatchObject([{ browser: "Firefox on Linux", isThis: true }]);
  // It holds once, also when somebody goes back to where they were.
  await expect(as(who, "people.confirm-address", { token })).rejects.toMatchObject(no);
});

test("an address another account has is not taken, and who asks for it is not told that there is one", async () => {
  const [{ who }, { who: other }] = [await signedIn(), await signedIn()];
  const address = other.person!.email;
  const answer = await as(who, "people.change-address", { address, password: PASSWORD });
  expect(answer).toMatchObject({ asked: address });
  expect((await lettersTo(address)).map((one) => one.subject)).toEqual([
    "This address has an account already",
  ]);
  // Two ask for one that is free, and both follow their letters.
  const free = fresh();
  for (const one of [who, other])
    await as(one, "people.change-address", { address: free, password: PASSWORD });
  const tokens = (await lettersTo(free)).map(tokenIn);
  const took = await Promise.allSettled(
    [who, other].flatMap((one) => tokens.map((token) => as(one, "people.confirm-address", { token }))),
  );
  expect(took.filter((one) => one.status === "fulfilled")).toHaveLength(1);
  const codes = took.flatMap((one) =>
    one.status === "rejected" ? [(one.reason as { code: string }).code] : [],
  );
  expect(codes.sort()).toEqual(["address-change-ended", "address-change-ended", "address-taken"]);
});

test("a session is ended by its person alone, one or all the others", async () => {
  const [{ who, other }, { who: stranger }] = [await signedIn(), await signedIn()];
  await as(stranger, "sessions.end", { session: other });
  expect((await as(who, "sessions.read", {})).sessions).toHaveLength(2);
  await as(who, "sessions.end", { session: other });
  expect((await as(who, "sessions.read", {})).sessions).toHaveLength(1);
  await as(stranger, "sessions.end", {});
  expect((await as(stranger, "sessions.read", {})).sessions).toMatchObject([{ isThis: true }]);
});

test("a letter about something waits until one's quiet hours end, and every kind of it can be wished for", async () => {
  const { owner, editor, team, collection } = await makeWorld();
  for (const kind of NOTICE_KINDS)
    expect((await as(editor, "notices.wish", { [kind]: "at-once" })).wishes[kind]).toBe("at-once");
  const hour = new Date().getUTCHours();
  const until = (hour + 3) % 24;
  await expect(as(editor, "notices.set-hours", { zone: "Moor/Fen" })).rejects.toMatchObject({
    code: "not-a-zone",
  });
  await expect(as(editor, "notices.set-hours", { zone: "UTC", quietFrom: 3 })).rejects.toMatchObject({
    code: "half-a-span",
  });
  await as(editor, "notices.set-hours", { zone: "UTC", quietFrom: hour, quietUntil: until });
  expect((await as(editor, "notices.wishes", {})).hours).toEqual({
    zone: "UTC",
    quietFrom: hour,
    quietUntil: until,
  });
  await as(owner, "comments.add", { collection, words: `Look, @${editor.person!.name}` });
  const { notices } = await as(editor, "notices.read", {});
  expect(notices).toHaveLength(1);
  const [letter] = await database()
    .select()
    .from(job)
    .where(eq(job.uniqueKey, `notices.mail:at-once:${editor.person!.id}`));
  expect(letter!.team).toBe(team);
  expect([letter!.runAt.getUTCHours(), letter!.runAt.getUTCMinutes()]).toEqual([until, 0]);
});
