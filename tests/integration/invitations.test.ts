import { and, eq, like } from "drizzle-orm";
import { expect, test } from "vitest";
import { job, person } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { unseal } from "@/outside/seal";
import { openCode } from "@/services/codes/open";
import { as, makeWorld, somebody } from "./world";

/** The letters that wait to be sent from a team. */
async function letters(team: string) {
  const rows = await database()
    .select({ payload: job.payload })
    .from(job)
    .where(and(eq(job.team, team), like(job.uniqueKey, "invitations.send:%")));
  return rows
    .map(({ payload }) => JSON.parse(unseal(String(payload.letter))) as { to: string; text: string })
    .sort((a, b) => (a.to < b.to ? -1 : 1));
}
const openByMail = async (owner: Actor, team: string) =>
  (await as(owner, "members.read", { team })).invitations.filter(({ address }) => address !== null);
const codeIn = (text: string) => /\/join\/([\w-]+)/.exec(text)![1]!;
const nobody = async (address: string): Promise<Actor> => {
  const made = await somebody("invited");
  await database().update(person).set({ email: address }).where(eq(person.id, made.person!.id));
  return { ...made, person: { ...made.person!, email: address } };
};

test("several are invited by mail, each for their own address; who is in the team already gets no letter", async () => {
  const { owner, editor, team } = await makeWorld();
  const [ada, ben] = [`Ada-${team}@bog.example`, `ben-${team}@bog.example`];
  const done = await as(owner, "invitations.send", {
    team,
    role: "contributor",
    addresses: [`Ada Fen <${ada}>`, ben, ben.toUpperCase(), editor.person!.email],
  });
  expect(done).toMatchObject({
    invited: [
      { address: ada, again: false },
      { address: ben, again: false },
    ],
    already: [editor.person!.email],
  });
  const sent = await letters(team);
  expect(sent.map(({ to }) => to)).toEqual([ada, ben]);
  const code = codeIn(sent[0]!.text);
  // Handed on, it opens for nobody else, and is not used up by trying.
  const other = await nobody(`other-${team}@bog.example`);
  expect(await as(other, "invitations.read", { code })).toMatchObject({ address: ada, isForMe: false });
  await expect(as(other, "invitations.accept", { code })).rejects.toMatchObject({
    code: "invitation-for-another",
  });
  const she = await nobody(ada.toLowerCase());
  // Pressed twice, and once more later.
  const joined = await Promise.all([1, 2].map(() => as(she, "invitations.accept", { code })));
  expect(joined.map(({ role }) => role)).toEqual(["contributor", "contributor"]);
  expect(await as(she, "invitations.accept", { code })).toMatchObject({ team, role: "contributor" });
  expect((await openByMail(owner, team)).map(({ address }) => address)).toEqual([ben]);
});

test("sent again it is the same invitation, in the new role, and one letter while the first has not gone", async () => {
  const { owner, team } = await makeWorld();
  const address = `cleo-${team}@bog.example`;
  const send = (role: string) => as(owner, "invitations.send", { team, role, addresses: [address] });
  await send("viewer");
  const [first] = await letters(team);
  expect((await send("editor")).invited).toEqual([{ address, again: true }]);
  const all = await letters(team);
  expect(all.map(({ text }) => codeIn(text))).toEqual([codeIn(first!.text)]);
  expect(await openByMail(owner, team)).toMatchObject([{ address, role: "editor" }]);
});

test("a link lets in as many as it is for, however many come at once", async () => {
  const { owner, team } = await makeWorld();
  const { invitation } = await as(owner, "invitations.make", { team, role: "viewer", most: 2, days: 1 });
  expect(invitation.expiresAt.getTime() - Date.now()).toBeLessThan(86_400_001);
  const { code } = invitation;
  const come = await Promise.all([1, 2, 3, 4].map((i) => somebody(`come-${i}`)));
  const done = await Promise.allSettled(come.map((who) => as(who, "invitations.accept", { code })));
  expect(done.filter(({ status }) => status === "fulfilled")).toHaveLength(2);
  expect(
    done.flatMap((one) => (one.status === "rejected" ? [(one.reason as { code: string }).code] : [])),
  ).toEqual(["invitation-used-up", "invitation-used-up"]);
  const late = await somebody("late");
  await expect(as(late, "invitations.read", { code })).rejects.toMatchObject({ code: "invitation-used-up" });
});

test("a code for a room leads to its invitation for a day, and makes nobody an owner", async () => {
  const { owner, editor, team, collection } = await makeWorld();
  const { invitation } = await as(owner, "invitations.make", { team, role: "editor", short: true, most: 1 });
  const short = invitation.short!;
  expect(short).toMatch(/^[a-z0-9]{7}$/);
  expect(invitation.expiresAt.getTime() - Date.now()).toBeLessThan(86_400_001);
  // As somebody types it.
  const typed = `${short.slice(0, 3).toUpperCase()} ${short.slice(3)}`;
  expect(await openCode.call({ person: null, share: null }, { code: typed })).toEqual({
    ...{ code: invitation.code, opens: "invitation" },
  });
  const who = await somebody("in the room");
  expect(await as(who, "invitations.accept", { code: invitation.code })).toMatchObject({ role: "editor" });
  // Whoever types it when all have come is told so, where it leads.
  expect(await openCode.call({ person: null, share: null }, { code: short })).toMatchObject({
    opens: "invitation",
  });
  const into = await as(editor, "guests.make-link", { collection, role: "contributor", short: true });
  expect((await as(editor, "guests.read", { collection })).invitations).toMatchObject([
    { short: into.invitation.short, most: 40 },
  ]);
  await as(editor, "guests.end-invitation", { collection, invitation: into.invitation.id });
  await expect(
    openCode.call({ person: null, share: null }, { code: into.invitation.short! }),
  ).rejects.toMatchObject({ code: "code-opens-nothing" });
  for (const [field, wrong] of [
    ["role", { role: "owner" }],
    ["days", { role: "viewer", days: 2 }],
  ] as const)
    await expect(as(owner, "invitations.make", { team, short: true, ...wrong })).rejects.toMatchObject({
      errors: [expect.objectContaining({ field })],
    });
});

test("what is no address is said beside the field, and nobody is invited", async () => {
  const { owner, team } = await makeWorld();
  for (const addresses of [["ada@"], ["Ada Fen"], ["ada@bog.example", "ben@@bog"], []])
    await expect(as(owner, "invitations.send", { team, role: "viewer", addresses })).rejects.toMatchObject({
      errors: [expect.objectContaining({ field: "addresses" })],
    });
  expect(await letters(team)).toEqual([]);
});
