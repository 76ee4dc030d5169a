import { eq } from "drizzle-orm";
import nodemailer from "nodemailer";
import type { SMTPServer } from "smtp-server";
import { afterAll, beforeAll, expect, test } from "vitest";
import { mailMessage } from "@/data/schema";
import { readFileJob } from "@/jobs/read-stored-file";
import { takeMailJob } from "@/jobs/take-in-message";
import { database } from "@/mechanism/changing";
import { startMailIn } from "@/outside/mail-in";
import { settings } from "@/outside/settings";
import { isKnownAddress, receiveMail } from "@/services/messages/receive";
import { as, makeWorld, type World } from "./world";

let world: World;
let server: SMTPServer | null;
const port = 48_000 + (process.pid % 1000);
beforeAll(async () => {
  Object.assign(settings(), { mailIn: "loopback", mailInPort: String(port), mailLimit: "1" });
  world = await makeWorld();
  server = await startMailIn({ known: isKnownAddress, receive: receiveMail });
});
afterAll(() => new Promise<void>((resolve) => (server ? server.close(() => resolve()) : resolve())));

const mailer = () => nodemailer.createTransport({ host: "127.0.0.1", port, ignoreTLS: true });
const own = () => world.editor.person!.email;
const HTML = `<p>Dear all, <a href="http://bog.example/a?utm_source=x">the first</a> and <a href="https://bog.example/b">the second</a>.</p>
<script>x()</script><img src="https://track.example/open.gif" width="1" height="1"><p><a href="https://list.example/unsubscribe?u=1">Unsubscribe</a></p>`;

async function takeAll() {
  const rows = await database().select().from(mailMessage).where(eq(mailMessage.team, world.team));
  for (const row of rows)
    if (row.state === "taken" && !row.resource) await takeMailJob.run({ message: row.id });
  return database().select().from(mailMessage).where(eq(mailMessage.team, world.team));
}

test("a newsletter through SMTP becomes reading matter once, its links offered, its attachments kept, its original too", async () => {
  const { editor, team } = world;
  const { address } = await as(editor, "messages.make-address", { team });
  const letter = {
    from: own(),
    to: address,
    subject: "Fwd: News of the bog",
    messageId: "<one@lantern.example>",
    html: HTML,
    attachments: [{ filename: "../../levels.csv", content: "well,level\n1,12\n" }],
  };
  await mailer().sendMail(letter);
  await mailer().sendMail(letter);
  const rows = await takeAll();
  expect(rows).toHaveLength(1);
  const { entries } = await as(editor, "tray.read", { team });
  const titles = entries.map((entry) => entry.resource.title);
  expect(titles).toContain("News of the bog");
  expect(titles).toContain("levels");
  const { html } = await as(editor, "resources.text", { resource: rows[0]!.resource! });
  expect(html).toContain("the first");
  expect(html).not.toMatch(/track\.example|<img|<script/);
  const { message: kept } = await as(editor, "messages.of-resource", { resource: rows[0]!.resource! });
  expect(kept!.links.map((link) => link.title)).toEqual(["the first", "the second"]);
  const file = entries.find((entry) => entry.resource.title === "levels")!.resource;
  await readFileJob.run({ resource: file.id });
  const original = await as(editor, "messages.original", { message: rows[0]!.id });
  expect(String(original.content)).toContain("Message-ID: <one@lantern.example>");
  await expect(as(world.owner, "messages.original", { message: rows[0]!.id })).rejects.toMatchObject({
    kind: "not-found",
  });
});

test("an unknown address is refused at once with 550, a message too large with 552", async () => {
  await expect(
    mailer().sendMail({ from: own(), to: "nobody@hobbin.localhost", subject: "x", text: "x" }),
  ).rejects.toMatchObject({ responseCode: 550 });
  const { address } = await as(world.editor, "messages.make-address", { team: world.team });
  await expect(
    mailer().sendMail({ from: own(), to: address, subject: "x", text: "y".repeat(1_500_000) }),
  ).rejects.toMatchObject({ responseCode: 552 });
});

test("who is not on the list is held for a look, taken when the person says so, and trusted afterwards", async () => {
  const { editor, team, collection } = world;
  const { address } = await as(editor, "messages.make-address", { team, collection });
  const send = (subject: string) =>
    mailer().sendMail({ from: "Ada <ada@bog.example>", to: address, subject, text: "The dam holds." });
  await send("From a stranger");
  const { held } = await as(editor, "messages.read", { team });
  expect(held.map((one) => one.subject)).toEqual(["From a stranger"]);
  await expect(
    as(world.owner, "messages.decide", { message: held[0]!.id, take: true }),
  ).rejects.toMatchObject({
    kind: "not-found",
  });
  await as(editor, "messages.decide", { message: held[0]!.id, take: true });
  await as(editor, "messages.set-sender", { address: "@bog.example", allow: true });
  await send("From a friend");
  await takeAll();
  const { items } = await as(editor, "collections.items", { collection });
  expect(items.map((item) => item.resource.title)).toEqual(
    expect.arrayContaining(["From a stranger", "From a friend"]),
  );
  expect((await as(editor, "messages.read", { team })).held).toEqual([]);
});

test("a changed address takes no mail any more", async () => {
  const { viewer: _, contributor, team } = world;
  const first = await as(contributor, "messages.make-address", { team });
  const second = await as(contributor, "messages.make-address", { team });
  expect(await isKnownAddress(first.address)).toBe(false);
  expect(await isKnownAddress(second.address.toUpperCase())).toBe(true);
});

test("a note with letters is a note and every letter, in the collection it was sent to, once", async () => {
  const { editor, team } = world;
  const { collection } = (await as(editor, "collections.make", { team, title: "Letters" })) as {
    collection: { id: string };
  };
  const { address } = await as(editor, "messages.make-address", { team, collection: collection.id });
  const letter = (n: number) =>
    `From: w${n}@moor.example\r\nSubject: Letter ${n}\r\nMessage-ID: <letter-${n}@moor.example>\r\n\r\nhttps://moor.example/letter/${n}\r\n`;
  const note = {
    ...{ from: own(), to: address, subject: "Three letters", text: "Please read these." },
    attachments: [1, 2, 3].map((n) => ({
      ...{ content: letter(n), contentType: "message/rfc822", filename: `${n}.eml` },
    })),
  };
  await mailer().sendMail({ ...note, messageId: "<three@lantern.example>" });
  await mailer().sendMail({ ...note, messageId: "<again@lantern.example>", subject: "Once more" });
  const rows = await takeAll();
  const { items } = await as(editor, "collections.items", { collection: collection.id });
  expect(items.map((item) => item.resource.title).toSorted()).toEqual([
    ...["Letter 1", "Letter 2", "Letter 3", "Once more", "Three letters"],
  ]);
  const { resource } = rows.find((row) => row.subject === "Three letters")!;
  const { message } = await as(editor, "messages.of-resource", { resource: resource! });
  expect(message!.links.map((link) => link.address)).toEqual([
    ...[1, 2, 3].map((n) => `https://moor.example/letter/${n}`),
  ]);
});
