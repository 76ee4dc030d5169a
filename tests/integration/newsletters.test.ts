import { afterAll, beforeAll, expect, test } from "vitest";
import { countReaders, findReader } from "@/data/queries/newsletters";
import { newsletterReader } from "@/data/schema";
import { getJoin, getList, postJoin, postList } from "@/http/newsletter-route";
import { deliverIssueJob } from "@/jobs/deliver-issue";
import { STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newCode, newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { addressOfHobbin } from "@/services/accounts/address";
import { mailServer } from "./smtp";
import { as, makeWorld, type World } from "./world";

let world: World;
const HOME = addressOfHobbin();
const port = 23_500 + (process.pid % 1000);
const of = <P extends object>(params: P) => ({ params: Promise.resolve(params) });
const form = (path: string, fields: Record<string, string>) =>
  new Request(`${HOME}${path}`, { method: "POST", body: new URLSearchParams(fields) });
const join = (address: string) => postJoin(form("/x", { address }), of({ code: world.code }));
const list = (token: string, fields: Record<string, string>) => postList(form("/x", fields), of({ token }));

const before = settings().smtp;
beforeAll(async () => {
  world = await makeWorld();
  Object.assign(settings(), { smtp: `smtp://127.0.0.1:${port}`, letterLimit: "1000" });
  await as(world.editor, "collections.use", { collection: world.collection, use: "newsletter" });
});
afterAll(() => void Object.assign(settings(), { smtp: before }));

/** Readers who have confirmed. @returns their addresses */
async function readers(collection: string, count: number, name = "reader"): Promise<string[]> {
  const addresses = Array.from({ length: count }, (_, i) => `${name}-${i}-${newCode()}@moss.example`);
  await database()
    .insert(newsletterReader)
    .values(
      addresses.map((address) => ({
        ...{ id: newId(), collection, address, token: newCode(), state: "confirmed" as const },
        createdAt: new Date(),
      })),
    );
  return addresses;
}

test("who asks is asked back, confirms with a press and not by what fetches addresses, and leaves with one", async () => {
  const address = `sorrel-${newCode()}@moss.example`;
  expect((await getJoin(new Request(HOME), of({ code: world.code }))).status).toBe(200);
  const wrong = await join("sorrel at moss");
  expect(wrong.status).toBe(422);
  expect(await wrong.text()).toMatch(/value="sorrel at moss".*This is not a mail address/s);
  const [asked, again] = [await (await join(address)).text(), await (await join(address)).text()];
  expect(asked).toContain("Look into your mailbox");
  const { token } = (await findReader(database(), world.collection, address))!;
  const page = await (await getList(new Request(HOME), of({ token }))).text();
  expect(page).toContain("Do you want");
  expect(await countReaders(database(), world.collection)).toEqual({ confirmed: 0, waiting: 1 });
  expect((await list(token, { do: "confirm" })).status).toBe(200);
  expect(await countReaders(database(), world.collection)).toEqual({ confirmed: 1, waiting: 0 });
  // Whether an address is on the list is told to nobody.
  const third = await (await join(address)).text();
  expect([again, third]).toEqual([asked, asked]);
  expect((await list(token, {})).status).toBe(422);
  // RFC 8058, 3.1: a POST with this body and no cookie; once more is no error.
  for (let i = 0; i < 2; i++)
    expect((await list(token, { "List-Unsubscribe": "One-Click" })).status).toBe(200);
  expect(await findReader(database(), world.collection, address)).toBeNull();
  await expect(as(STRANGER, "newsletters.confirm", { token })).rejects.toMatchObject({ code: "not-on-list" });
});

test("the next issue has what came since the last one, or what is chosen; sent twice it goes out once", async () => {
  const { editor, viewer, collection, team } = world;
  await expect(as(editor, "newsletters.send", { collection, issue: newId() })).rejects.toMatchObject({
    errors: [{ field: "subject" }],
  });
  await as(editor, "newsletters.write", {
    collection,
    subject: "Water <rises>",
    greeting: "Dear all,\nit has rained.",
    closing: "Until next week",
  });
  const addresses = await readers(collection, 3);
  const issue = newId();
  const first = await as(editor, "newsletters.send", { collection, issue });
  expect(first).toMatchObject({ number: 1, readers: 3 });
  expect(await as(editor, "newsletters.send", { collection, issue })).toMatchObject({ number: 1 });
  const after = await as(viewer, "newsletters.read", { collection });
  expect(after).toMatchObject({ subject: "", greeting: "", closing: "Until next week" });
  expect(after.issues).toHaveLength(1);
  expect(after.sections.flatMap((one) => one.items).some((item) => item.isNew)).toBe(false);
  const { item } = await as(editor, "capture.address", {
    team,
    collection,
    address: "https://bog.example/rain",
  });
  const next = await as(viewer, "newsletters.read", { collection });
  expect(next.sections.flatMap((one) => one.items).filter((one) => one.isIn)).toMatchObject([
    { id: item!.id },
  ]);
  const preview = await as(viewer, "newsletters.preview", { collection });
  expect(preview.text).toContain("https://bog.example/rain");
  expect(preview.text).not.toContain(world.address);
  await as(editor, "newsletters.write", { collection, chosen: [world.placement] });
  expect((await as(viewer, "newsletters.preview", { collection })).text).toContain(world.address);
  await as(editor, "newsletters.write", { collection, onlyNew: true });

  // Away at first, then there; one address it will never have.
  await expect(deliverIssueJob.run({ issue })).rejects.toThrow();
  const server = await mailServer(port, addresses[1]);
  await deliverIssueJob.run({ issue });
  await deliverIssueJob.run({ issue });
  await server.stop();
  expect(server.came.map(({ to }) => to).sort()).toEqual([addresses[0], addresses[2]].sort());
  const { mail } = server.came[0]!;
  expect(mail.subject).toBe("Water <rises>");
  expect(mail.html).toContain("Water &lt;rises&gt;");
  expect(mail.html).not.toMatch(/<img|<link|src=|url\(/i);
  expect(mail.text).toContain(world.address);
  const leave = String(mail.headerLines.find(({ key }) => key === "list-unsubscribe")!.line);
  expect(leave).toMatch(new RegExp(`^List-Unsubscribe: <${HOME}/list/[0-9a-f]{24}>$`));
  expect(mail.headers.get("list")).toMatchObject({
    "unsubscribe-post": { name: "List-Unsubscribe=One-Click" },
  });
  const { issues } = await as(viewer, "newsletters.read", { collection });
  expect(issues).toMatchObject([{ waiting: 0, refused: 1 }]);
});

test("what is not shared, or closed meanwhile, is sent to nobody, and who leaves between two copies gets none", async () => {
  const { editor, owner, team } = world;
  const { collection } = await as(owner, "collections.make", { team, title: "Notes from the moor" });
  await as(editor, "collections.use", { collection: collection.id, use: "newsletter" });
  await as(editor, "newsletters.write", { collection: collection.id, subject: "One", greeting: "Hello" });
  const send = (issue = newId()) => as(editor, "newsletters.send", { collection: collection.id, issue });
  await expect(send()).rejects.toMatchObject({ code: "not-shared" });
  await as(editor, "share.set", { collection: collection.id, audience: "link" });
  const [gone, stays] = await readers(collection.id, 2, "leaver");
  const { issue } = await send();
  const { token } = (await findReader(database(), collection.id, gone!))!;
  await as(STRANGER, "newsletters.leave", { token });
  const server = await mailServer(port);
  await as(editor, "share.set", { collection: collection.id, audience: "team" });
  await deliverIssueJob.run({ issue });
  expect(server.came).toEqual([]);
  await as(editor, "share.set", { collection: collection.id, audience: "link" });
  await deliverIssueJob.run({ issue });
  await server.stop();
  expect(server.came.map(({ to }) => to)).toEqual([stays]);
});

test("a mail server that is away for a day in the middle: what it took is not sent again, the rest comes when it is back", async () => {
  const { editor, owner, team } = world;
  const { collection } = await as(owner, "collections.make", { team, title: "Letters in a storm" });
  const of = { collection: collection.id };
  await as(editor, "collections.use", { ...of, use: "newsletter" });
  await as(editor, "newsletters.write", { ...of, subject: "Gale", greeting: "Hold on" });
  await as(editor, "share.set", { ...of, audience: "link" });
  const addresses = await readers(collection.id, 6, "storm");
  const { issue } = await as(editor, "newsletters.send", { ...of, issue: newId() });
  const standing = async () =>
    (await as(editor, "newsletters.read", of)).issues.find((one) => one.id === issue)!;
  const going = await mailServer(port, "", 2);
  await expect(deliverIssueJob.run({ issue })).rejects.toThrow();
  await going.stop();
  // Nobody is there, as often as a day has tries: none of them loses or repeats anything.
  const pauses = deliverIssueJob.pauses!;
  expect(pauses.reduce((sum, one) => sum + one, 0)).toBeGreaterThanOrEqual(24 * 3_600_000);
  for (const _ of pauses) await expect(deliverIssueJob.run({ issue })).rejects.toThrow();
  expect(await standing()).toMatchObject({ readers: 6, waiting: 4, refused: 0 });
  const back = await mailServer(port);
  await deliverIssueJob.run({ issue });
  await back.stop();
  const came = [...going.came, ...back.came];
  expect(came.map(({ to }) => to).sort()).toEqual([...addresses].sort());
  expect(new Set(came.map(({ mail }) => mail.messageId)).size).toBe(6);
  expect(await standing()).toMatchObject({ readers: 6, waiting: 0, refused: 0 });
});
