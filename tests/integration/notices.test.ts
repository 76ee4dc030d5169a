import { eq } from "drizzle-orm";
import { expect, test, vi } from "vitest";
import { person as people } from "@/data/schema";
import { NO_LETTERS } from "@/core/talk/notices";
import { STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { getLeave, postLeave } from "@/http/notices-route";
import * as mail from "@/outside/mail";
import { mailNotices } from "@/services/notices/mail";
import { newId } from "@/outside/random";
import { as, guestOf, makeWorld, somebody } from "./world";

type Copy = Parameters<ReturnType<typeof mail.sendMany>["send"]>[0];
/** A mail server of our own, which takes what it is given, or does not. */
function mailbox(take: (copy: Copy) => void = () => undefined) {
  const copies: Copy[] = [];
  vi.spyOn(mail, "sendMany").mockImplementation(() => ({
    send: (copy) => {
      copies.push(copy);
      take(copy);
      return Promise.resolve();
    },
    close: () => undefined,
  }));
  return copies;
}

/** A team in which two have names nobody else has. */
async function named() {
  const world = await makeWorld();
  for (const [who, name] of [
    [world.editor, "Ada Fen"],
    [world.viewer, "Noor Haddad"],
  ] as const)
    await database().update(people).set({ name }).where(eq(people.id, who.person!.id));
  return world;
}
const unseen = async (who: Parameters<typeof as>[0]) =>
  (await as(who, "notices.read", {})).notices.filter((one) => one.seenAt === null);

test("who is named hears of it, and who takes part in the thread, once each and nobody of themselves", async () => {
  const { owner, editor, viewer, collection, placement } = await named();
  const { comment } = await as(owner, "comments.add", {
    ...{ collection, placement, words: "@Ada Fen, is this still so? ada@fen.example knows" },
  });
  expect(await unseen(editor)).toMatchObject([{ kind: "mention", comment: comment.id, placement }]);
  expect(await unseen(viewer)).toEqual([]);
  expect(await unseen(owner)).toEqual([]);
  const answer = await as(editor, "comments.add", {
    ...{ collection, thread: comment.id, words: "Yes. @Noor and @Ada know more" },
  });
  expect(await unseen(owner)).toMatchObject([{ kind: "answer", comment: answer.comment.id }]);
  expect(await unseen(viewer)).toMatchObject([{ kind: "mention" }]);
  expect(await unseen(editor)).toHaveLength(1);
  // In other words: who is meant now hears of it, who was meant before does not again.
  await as(owner, "notices.look", {});
  await as(editor, "comments.edit", { comment: answer.comment.id, words: "Yes. @Noor and @owner know more" });
  expect(await unseen(viewer)).toHaveLength(1);
  await as(owner, "comments.edit", { comment: comment.id, words: "@Noor, @Ada, is this still so?" });
  expect(await unseen(viewer)).toHaveLength(2);
  expect(await unseen(editor)).toHaveLength(1);
  await as(viewer, "notices.look", { comments: [comment.id] });
  expect(await unseen(viewer)).toMatchObject([{ comment: answer.comment.id }]);
  // What is taken back is addressed to nobody; taken back by mistake it is there again.
  const { entry } = await as(editor, "comments.remove", { comment: answer.comment.id });
  expect(await unseen(viewer)).toEqual([]);
  expect(entry).not.toBeNull();
});

test("who does not see it is not told: of another team, let in no more, or where it stands elsewhere by now", async () => {
  const { owner, team, collection, section } = await named();
  const guest = await guestOf(owner, collection, "viewer");
  const name = "Tjark Ried";
  await database().update(people).set({ name }).where(eq(people.id, guest.person!.id));
  const outsider = await somebody("Pim");
  expect((await as(guest, "comments.people", { collection })).people.map((one) => one.name)).toContain(name);
  await as(owner, "comments.add", { collection, section, words: `@${name} and @Pim, look` });
  expect(await unseen(guest)).toHaveLength(1);
  expect(await unseen(outsider)).toEqual([]);
  await as(owner, "guests.remove", { collection, person: guest.person!.id });
  expect(await unseen(guest)).toEqual([]);
  const { collection: elsewhere } = await as(owner, "collections.make", { team, title: "Elsewhere" });
  const later = await guestOf(owner, elsewhere.id, "viewer");
  await database().update(people).set({ name: "Ime Lund" }).where(eq(people.id, later.person!.id));
  await as(owner, "comments.add", { collection, section, words: "@Ime Lund, look" });
  expect(await unseen(later)).toEqual([]);
});

test("a letter says what was not looked at, and is the same letter when it is sent again after a process died", async () => {
  const { owner, editor, collection } = await named();
  const who = editor.person!.id;
  const say = (words: string) => as(owner, "comments.add", { collection, words });
  await say("@Ada, one");
  const copies = mailbox(() => {
    throw new Error("The mail server is away.");
  });
  await expect(mailNotices(who, "at-once")).rejects.toThrow("away");
  // What comes meanwhile goes into the next one.
  await say("@Ada, two");
  mailbox((copy) => void copies.push(copy));
  await mailNotices(who, "at-once");
  await mailNotices(who, "at-once");
  expect(copies.map((copy) => copy.subject)).toEqual(Array(3).fill("owner means you in “A collection”"));
  const [tried, sent, next] = copies;
  expect(sent).toEqual(tried);
  expect(next!.messageId).not.toBe(sent!.messageId);
  expect(sent!.to).toBe(editor.person!.email);
  expect([sent!.text, next!.text].map((text) => /one|two/.exec(text)![0])).toEqual(["one", "two"]);
  // What was looked at is not sent any more, nor what nobody wants.
  await say("@Ada, three");
  await as(editor, "notices.look", {});
  await say("@Ada, four");
  const token = sent!.leave.split("/").at(-1)!;
  expect(await as(STRANGER, "notices.whose", { token })).toEqual({ address: editor.person!.email });
  // A machine that fetches the address ends nothing; one press of a mail program does (RFC 8058, 3.1 and 3.2).
  const params = Promise.resolve({ token });
  const asks = await getLeave(new Request(sent!.leave), { params });
  expect(await asks.text()).toContain(editor.person!.email);
  expect((await as(editor, "notices.wishes", {})).wishes.mention).toBe("at-once");
  const press = { method: "POST", body: new URLSearchParams({ "List-Unsubscribe": "One-Click" }) };
  expect((await postLeave(new Request(sent!.leave, press), { params })).status).toBe(200);
  const other = { method: "POST", body: new URLSearchParams({ do: "something else" }) };
  expect((await postLeave(new Request(sent!.leave, other), { params })).status).toBe(422);
  expect((await as(editor, "notices.wishes", {})).wishes).toEqual(NO_LETTERS);
  await mailNotices(who, "at-once");
  expect(copies).toHaveLength(3);
  await as(editor, "notices.wish", { mention: "daily" });
  await mailNotices(who, "at-once");
  expect(copies).toHaveLength(3);
  await mailNotices(who, "daily");
  expect(copies).toHaveLength(4);
  expect(copies[3]!.text).toContain("four");
  expect(copies[3]!.text).not.toContain("three");
});

test("two who answer at once, and a press that is sent twice, tell each once", async () => {
  const { owner, editor, viewer, collection } = await named();
  const { comment } = await as(owner, "comments.add", { collection, words: "Who knows?" });
  const id = crypto.randomUUID();
  await Promise.all([
    as(editor, "comments.add", { collection, thread: comment.id, words: "I do" }),
    as(viewer, "comments.add", { collection, thread: comment.id, words: "I do, too" }),
    as(viewer, "comments.add", { collection, comment: id, words: "@owner, again" }),
    as(viewer, "comments.add", { collection, comment: id, words: "@owner, again" }).catch(() => undefined),
  ]);
  expect(await unseen(owner)).toHaveLength(3);
});

test("who is asked to see to an item hears of it, has it before them until it is done, and nobody else is done with it", async () => {
  const { owner, editor, viewer, team, collection, placement } = await named();
  const ask = (by: typeof owner, person: string | null, until?: string | null) =>
    as(by, "placements.ask", { placement, person, until });
  const stranger = await somebody("stranger");
  await expect(ask(owner, stranger.person!.id)).rejects.toMatchObject({
    errors: [expect.objectContaining({ field: "person" })],
  });
  await expect(ask(owner, viewer.person!.id, "2026-02-30")).rejects.toMatchObject({
    errors: [expect.objectContaining({ field: "until" })],
  });
  await ask(owner, viewer.person!.id, "2026-12-03");
  const asked = async () => (await as(viewer, "notices.read", {})).asked;
  expect(await asked()).toMatchObject([
    { placement, until: "2026-12-03", seenAt: null, by: owner.person && {} },
  ]);
  expect((await as(viewer, "teams.waiting", { team })).addressed).toBe(1);
  const copies = mailbox();
  await mailNotices(viewer.person!.id, "at-once");
  expect(copies.map(({ subject }) => subject)).toEqual([
    expect.stringMatching(/ asks you to see to this by 3 December 2026, in “A collection”$/),
  ]);
  expect(copies[0]!.text).toContain(`/bench/${collection}?item=${placement}`);
  await as(viewer, "notices.look", { subjects: [placement] });
  expect(await asked()).toMatchObject([{ placement, seenAt: expect.any(Date) }]);
  expect((await as(viewer, "teams.waiting", { team })).addressed).toBe(0);
  // Another day is no second time; another person is.
  await ask(owner, viewer.person!.id, null);
  expect(await asked()).toMatchObject([{ until: null, seenAt: expect.any(Date) }]);
  await expect(as(editor, "placements.done", { placement })).rejects.toMatchObject({
    code: "not-asked-of-you",
  });
  const { entry } = await as(viewer, "placements.done", { placement });
  expect(await asked()).toEqual([]);
  await as(viewer, "history.undo", { team, entry: entry! });
  expect(await asked()).toHaveLength(1);
  await ask(editor, editor.person!.id);
  expect(await asked()).toEqual([]);
  // Asked once more after it was done, they hear of it once more.
  await ask(owner, viewer.person!.id);
  expect(await asked()).toMatchObject([{ seenAt: null }]);
  // A copy asks nobody.
  const copy = await as(owner, "collections.duplicate", { collection, items: true });
  const { items } = await as(owner, "collections.items", { collection: copy.collection.id });
  expect(items).toMatchObject([{ askedOf: null, askedUntil: null }]);
  await as(owner, "placements.remove", { placement });
  expect(await asked()).toEqual([]);
});

test("suggestions and what is handed in are addressed to who asked for them, once until they look", async () => {
  const { editor, team, collection } = await named();
  const { link } = await as(editor, "suggestions.set-page", { collection, open: true });
  const offer = (name: string) =>
    as({ person: null, share: null }, "suggestions.offer", {
      ...{ page: link, suggestion: newId(), name, text: "Look at the rewetted field" },
    });
  await Promise.all(["Ida", "Bo", "Cem"].map(offer));
  expect(await unseen(editor)).toMatchObject([{ kind: "suggested", subject: collection, many: 3, by: null }]);
  await as(editor, "notices.look", { subjects: [collection] });
  expect(await unseen(editor)).toEqual([]);
  await offer("Dora");
  expect(await unseen(editor)).toMatchObject([{ kind: "suggested", many: 4 }]);
  const { group } = await as(editor, "groups.make", { team, title: "Class 7b", names: ["Ida", "Bo"] });
  const { handout } = await as(editor, "handouts.make", { collection, group: group.id, writes: true });
  const { learners } = await as(editor, "groups.look", { group: group.id });
  for (const { card } of learners)
    await as({ person: null, share: null }, "sheets.hand-in", { card, handout: handout.id, handedIn: true });
  expect(await unseen(editor)).toMatchObject([
    { kind: "returned", subject: handout.id, many: 2, about: "Class 7b" },
    { kind: "suggested" },
  ]);
  await as(editor, "handouts.looked", { handout: handout.id, learner: learners[0]!.id });
  expect((await unseen(editor))[0]).toMatchObject({ kind: "returned", many: 1 });
  const copies = mailbox();
  await as(editor, "notices.wish", { returned: "at-once", suggested: "at-once" });
  await mailNotices(editor.person!.id, "at-once");
  expect(copies[0]!.text).toMatch(/^1 has handed in “.+”, Class 7b:\n\S+\/handouts\//m);
  expect(copies[0]!.text).toMatch(/^4 suggestions wait for “A collection”:\n\S+\/suggestions\//m);
});
