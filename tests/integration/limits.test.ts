import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, expect, test } from "vitest";
import { job, person } from "@/data/schema";
import { handleAuth } from "@/http/auth-route";
import { guarded } from "@/mechanism/limits";
import { database } from "@/mechanism/changing";
import type { Problem } from "@/mechanism/problem";
import { inRequest } from "@/outside/request-context";
import { newId } from "@/outside/random";
import { unseal } from "@/outside/seal";
import { forgetSettings } from "@/outside/settings";
import { actorOf } from "@/services/accounts/actor-of-request";
import { as, makeWorld } from "./world";

/** Limits that are reached within a test; the other files get theirs back. */
const OWN = {
  HOBBIN_ACCOUNT_LIMIT: "4",
  HOBBIN_SIGN_IN_LIMIT: "12",
  HOBBIN_LETTER_LIMIT: "2",
  HOBBIN_CODE_LIMIT: "5",
  HOBBIN_SIGN_UP_LIMIT: "3",
  HOBBIN_IMPORTS_AT_ONCE: "2",
};
const before = Object.fromEntries(Object.keys(OWN).map((name) => [name, process.env[name]]));
beforeAll(() => {
  Object.assign(process.env, OWN);
  forgetSettings();
});
afterAll(() => {
  for (const [name, value] of Object.entries(before))
    if (value === undefined) delete process.env[name];
    else process.env[name] = value;
  forgetSettings();
});

/** Another address for each test, as the front would know it. */
let address: string;
beforeEach(() => {
  const part = () => Math.floor(Math.random() * 250);
  address = `10.${part()}.${part()}.${part()}`;
});

/** Asks as a browser does, from an address. */
async function account(path: string, body: object, { cookie = "", from = address } = {}) {
  const request = new Request(`http://localhost:4800/api/auth/${path}`, {
    method: "POST",
    headers: { "content-type": "application/json", origin: "http://localhost:4800", cookie },
    body: JSON.stringify(body),
  });
  const answer = await inRequest({ id: newId(), address: from }, () => handleAuth(request));
  const cookies = answer.headers.getSetCookie().map((one) => one.split(";")[0]!);
  return {
    status: answer.status,
    cookies,
    said: (await answer.json().catch(() => null)) as { message?: string } | null,
  };
}
const letters = async (to: string) =>
  (await database().select().from(job).where(eq(job.kind, "messages.send")))
    .map(
      ({ payload }) =>
        JSON.parse(unseal(String(payload.letter))) as { to: string; subject: string; text: string },
    )
    .filter((letter) => letter.to === to);
const mail = () => `${newId()}@bog.example`;

/** Signs somebody up, and chooses the password by the link in the letter. */
async function member(password = "peat and moss 9") {
  const email = mail();
  await account("sign-up/email", { name: "Mira", email, callbackURL: "/" });
  const [letter] = await letters(email);
  const token = /reset-password\/([^?]+)/.exec(letter!.text)![1]!;
  expect((await account("reset-password", { token, newPassword: password })).status).toBe(200);
  return { email, password };
}

test("whoever follows the link in the letter chooses the password: nobody sets one for somebody else's address", async () => {
  const email = mail();
  const theirs = "set by a stranger";
  expect(
    (await account("sign-up/email", { name: "Mira", email, password: theirs, callbackURL: "/" })).status,
  ).toBe(200);
  const [letter, ...more] = await letters(email);
  expect([letter!.subject, more.length]).toEqual(["Confirm your address", 0]);
  const token = /reset-password\/([^?]+)/.exec(letter!.text)![1]!;
  await account("reset-password", { token, newPassword: "chosen by its owner" });
  expect((await account("sign-in/email", { email, password: theirs })).status).toBe(401);
  expect((await account("sign-in/email", { email, password: "chosen by its owner" })).status).toBe(200);
});

test("an address that has an account already is answered like any other, and is told by letter", async () => {
  const { email } = await member();
  const [known, fresh] = [
    await account("sign-up/email", { name: "Eve", email, callbackURL: "/" }, { from: "10.9.9.1" }),
    await account("sign-up/email", { name: "Eve", email: mail(), callbackURL: "/" }, { from: "10.9.9.2" }),
  ];
  expect(Object.keys(known.said!)).toEqual(Object.keys(fresh.said!));
  expect([known.status, (await letters(email)).at(-1)!.subject]).toEqual([
    200,
    "You have an account already",
  ]);
  const [row] = await database().select().from(person).where(eq(person.email, email));
  expect(row!.name).toBe("Mira");
});

test("wrong tries end for strangers, from whatever address; who signed in here before, or comes by a letter, gets in", async () => {
  const { email, password } = await member();
  const home = await account("sign-in/email", { email, password });
  const device = home.cookies.find((one) => one.startsWith("hobbin.device="))!;
  const strangers = [];
  for (let i = 0; i < 8; i++)
    strangers.push(
      await account("sign-in/email", { email, password: `wrong ${i}` }, { from: `10.1.2.${i}` }),
    );
  expect(strangers.map(({ status }) => status)).toEqual([401, 401, 401, 401, 429, 429, 429, 429]);
  expect(strangers.at(-1)!.said!.message).toContain("wrong tries");
  // The right password is no proof here: it might be the stranger's hundredth guess.
  expect((await account("sign-in/email", { email, password }, { from: "10.1.2.99" })).status).toBe(429);
  expect((await account("sign-in/email", { email, password }, { cookie: device })).status).toBe(200);
  // A cookie of another account is none.
  expect((await account("sign-in/email", { email, password }, { cookie: `${device}x` })).status).toBe(429);
  await account("request-password-reset", { email, redirectTo: "/new-password" });
  expect((await letters(email)).at(-1)!.subject).toBe("Choose a new password");
});

test("one address has so many tries, sign-ups and letters to one inbox, and no more", async () => {
  const tries = [];
  for (let i = 0; i < 14; i++)
    tries.push((await account("sign-in/email", { email: mail(), password: "wrong" })).status);
  expect(tries.filter((status) => status === 429)).toHaveLength(2);
  const ups = [];
  for (let i = 0; i < 4; i++)
    ups.push((await account("sign-up/email", { name: "x", email: mail(), callbackURL: "/" })).status);
  expect(ups).toEqual([200, 200, 200, 429]);
  const { email } = await member().catch(() => ({ email: "" }));
  expect(email).toBe("");
  address = "10.77.0.1";
  const inbox = (await member()).email;
  for (let i = 0; i < 5; i++)
    await account(
      "request-password-reset",
      { email: inbox, redirectTo: "/new-password" },
      { from: `10.78.0.${i}` },
    );
  // The letter of signing up, and one more.
  expect(await letters(inbox)).toHaveLength(2);
});

test("codes and tokens cannot be tried by the thousand; elsewhere right ones go on working", async () => {
  const { owner } = await makeWorld();
  const { token } = await as(owner, "tokens.make", { name: "script" });
  const ask = (bearer: string, from = address) =>
    inRequest({ id: newId(), address: from }, () =>
      actorOf(new Headers({ authorization: `Bearer ${bearer}` })),
    );
  const codes: string[] = [];
  for (let i = 0; i < 7; i++) await ask(`hob_wrong${i}`).catch((error: Problem) => codes.push(error.code));
  expect(codes).toEqual([...Array<string>(5).fill("token-ended"), "too-many-tries", "too-many-tries"]);
  await expect(ask(token)).rejects.toMatchObject({ code: "too-many-tries" });
  expect((await ask(token, "10.5.5.5")).person!.id).toBe(owner.person!.id);
  // Without a front nobody's address is known, and nothing is counted.
  await expect(guarded("token", async () => null)).resolves.toBeNull();
});

test("one person has so many imports under way, and is told", async () => {
  const { owner, team } = await makeWorld();
  const stage = () =>
    as(owner, "imports.stage", {
      team,
      import: newId(),
      name: "x",
      separator: "comma",
      places: [],
      total: 1,
    });
  await stage();
  await stage();
  await expect(stage()).rejects.toMatchObject({ code: "too-many-imports", status: 429 });
});
