import { expect, test } from "vitest";
import { newId, newShareCode } from "./random";

test("ids made in the same millisecond keep the order in which they were made", () => {
  const ids = Array.from({ length: 20_000 }, newId);
  expect(ids).toEqual([...ids].sort());
  expect(new Set(ids).size).toBe(ids.length);
});

test("share codes are 16 letters that can be read aloud, without vowels", () => {
  const codes = Array.from({ length: 200 }, newShareCode);
  expect(new Set(codes).size).toBe(200);
  for (const code of codes) expect(code).toMatch(/^[2-9bcdfghjkmnpqrstvwxz]{16}$/);
});
