import { expect, test } from "vitest";
import { sha256 } from "./hash";
import { readHeads, readMessage } from "./read-message";

const letter = (heads: string, body: string) =>
  Buffer.from(
    `From: Ama <ama@bog.example>\r\nTo: box@hobbin.example\r\nSubject: The dam\r\n${heads}\r\n${body}\r\n`,
  );

test("the heads alone say who sent it and what it is called, without a look at what is in it", async () => {
  const raw = letter("Message-ID: <one@bog.example>\r\n", "See https://bog.example/dam");
  const [heads, whole] = [await readHeads(raw), await readMessage(raw)];
  for (const field of ["identity", "sentBy", "from", "subject"] as const)
    expect(heads[field]).toEqual(whole[field]);
  expect([heads.links, heads.copy.text, whole.links.length]).toEqual([[], "", 1]);
});

test("two letters without an id that differ only in what is in them are two", async () => {
  const [one, other] = [letter("", "one"), letter("", "other")];
  expect((await readHeads(one)).identity).toBe(sha256(one));
  expect((await readHeads(other)).identity).not.toBe(sha256(one));
});

/** A message in MIME; ends of lines as RFC 5322 has them. */
const mail = (type: string, body: string, heads = "", subject = "For the course") =>
  Buffer.from(
    `From: Ama <ama@bog.example>\nSubject: Fwd: ${subject}\nMessage-ID: <m@bog.example>\nContent-Type: ${type}\n${heads}\n${body}`.replace(
      /\n/g,
      "\r\n",
    ),
  );
const inner = (n: number) =>
  `From: Writer ${n} <w${n}@moor.example>\nSubject: Letter ${n}\nMessage-ID: <l${n}@moor.example>\n\nWords ${n}: https://moor.example/${n}\n`;
const attached = (n: number) =>
  `--b\nContent-Type: message/rfc822\nContent-Disposition: ${n % 2 ? "inline" : "attachment"}\n\n${inner(n)}\n`;
const seen = ({ from, subject, copy, letters }: Awaited<ReturnType<typeof readMessage>>) => ({
  ...{ from: from.address, subject, text: copy.text.replace(/\s+/g, " ").trim() },
  letters: letters.map((one) => one.subject),
});

test("a note with letters keeps the note and every letter; a letter without a word around it is what was sent", async () => {
  const note = "--b\nContent-Type: text/plain\n\nLook at these.\n";
  const deep = `--b\nContent-Type: message/rfc822\n\nFrom: c@bog.example\nSubject: Deep\nContent-Type: multipart/mixed; boundary=c\n\n--c\nContent-Type: text/plain\n\nInside\n--c\nContent-Type: message/rfc822\n\n${inner(3)}\n--c--\n`;
  const many = await readMessage(
    mail("multipart/mixed; boundary=b", `${note}${attached(1)}${attached(2)}${deep}--b--`),
  );
  expect(seen(many)).toEqual({
    ...{ from: "ama@bog.example", subject: "For the course", text: "Look at these." },
    letters: ["Letter 1", "Letter 2", "Deep", "Letter 3"],
  });
  expect(many.letters[1]!.links).toMatchObject([{ address: "https://moor.example/2" }]);
  const one = await readMessage(mail("multipart/mixed; boundary=b", `${attached(1)}--b--`));
  expect(seen(one)).toMatchObject({ from: "w1@moor.example", subject: "Letter 1", letters: [] });
  expect([one.identity, one.sentBy]).toEqual([sha256("<m@bog.example>"), "ama@bog.example"]);
  const withLink = "--b\nContent-Type: text/plain\n\nAlso https://bog.example/note\n";
  const linked = await readMessage(
    mail("multipart/mixed; boundary=b", `${withLink}${attached(1)}--b--`, "", "Letter 1"),
  );
  expect(linked.links.map((one) => one.address)).toEqual([
    "https://bog.example/note",
    "https://moor.example/1",
  ]);
  const within =
    "For unit 2.\n\n---------- Forwarded message ---------\nFrom: Ada <ada@bog.example>\nSubject: Dams\n\nThe dam holds.";
  expect(seen(await readMessage(mail("text/plain", within)))).toEqual({
    ...{ from: "ada@bog.example", subject: "Dams", text: "For unit 2. The dam holds.", letters: [] },
  });
});

/** RFC 2046 §5.1.5 (digests), RFC 3462 (reports). */
test("a digest is of whoever made it, with all in it; a report of whoever reports, without what machines tell machines", async () => {
  const digest = `--b\nContent-Type: text/plain\n\nToday\n--b\nContent-Type: multipart/digest; boundary=d\n\n--d\nContent-Type: message/rfc822\n\n${inner(1)}\n--d\n\n${inner(2)}\n--d--\n--b--`;
  const read = seen(await readMessage(mail("multipart/mixed; boundary=b", digest)));
  expect(read).toMatchObject({ from: "ama@bog.example", letters: [] });
  expect(read.text).toMatch(/Today.*Words 1.*Words 2|Today.*Words 2.*Words 1/);
  const report = `--b\nContent-Type: text/plain\n\nNot delivered.\n--b\nContent-Type: message/delivery-status\nContent-Disposition: attachment\n\nReporting-MTA: dns; x\n${attached(1)}--b--`;
  const bounce = await readMessage(mail("multipart/report; report-type=delivery-status; boundary=b", report));
  expect(seen(bounce)).toMatchObject({ from: "ama@bog.example", subject: "For the course", letters: [] });
  expect([bounce.copy.text.includes("Not delivered."), bounce.attachments]).toEqual([true, []]);
});

/** RFC 2045 §5.2 and RFC 2046 §4.1.4: what is of no kind there is, is plain text. */
test.each(["text", "plain", "text/x-own", "TEXT/PLAINISH; charset=latin-9", "application/text", ";;"])(
  "a message of the type %s is text",
  async (type) => {
    const read = await readMessage(mail(type, "Wörter: https://bog.example/a"));
    expect([read.copy.text.trim(), read.links.length, read.attachments]).toEqual([
      "Wörter: https://bog.example/a",
      1,
      [],
    ]);
  },
);

test("what is a file by its name or its kind stays one, and letters beyond the limit are kept as files", async () => {
  const file = `--b\nContent-Type: text/csv; name=a.csv\nContent-Disposition: attachment; filename=a.csv\n\n1,2\n--b\nContent-Type: text/calendar\n\nBEGIN:VCALENDAR\n--b--`;
  expect(
    (await readMessage(mail("multipart/mixed; boundary=b", file))).attachments.map((one) => one.name),
  ).toEqual(["a.csv", "attachment"]);
  const all = Array.from({ length: 203 }, (_, i) => attached(i)).join("");
  const read = await readMessage(mail("multipart/mixed; boundary=b", `${all}--b--`));
  expect([read.letters.length, read.attachments.length]).toEqual([200, 3]);
});

test("a letter too deep in others is kept as a file", async () => {
  const wrapped = (depth: number): string =>
    depth
      ? `From: c@bog.example\nSubject: Level ${depth}\nContent-Type: multipart/mixed; boundary=x${depth}\n\n--x${depth}\nContent-Type: text/plain\n\nWords ${depth}\n--x${depth}\nContent-Type: message/rfc822\n\n${wrapped(depth - 1)}\n--x${depth}--\n`
      : inner(1);
  const read = await readMessage(Buffer.from(wrapped(6).replace(/\n/g, "\r\n")));
  expect(read.letters.map((one) => one.subject)).toEqual(["Level 5", "Level 4", "Level 3", "Level 2"]);
  expect(read.attachments.map((one) => one.name)).toEqual(["letter.eml"]);
  expect(read.attachments[0]!.content.toString()).toContain("Level 1");
});
