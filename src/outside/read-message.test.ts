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
