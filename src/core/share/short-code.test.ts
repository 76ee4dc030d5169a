import { expect, test } from "vitest";
import { LETTERS } from "./code";
import { readShortCode, saidInGroups, shortCode } from "./short-code";

/** Bytes that are the same each time: a linear congruential generator (the constants of Numerical Recipes, from memory). */
function bytes(seed: number) {
  let state = seed >>> 0;
  return (count: number) =>
    Uint8Array.from({ length: count }, () => (state = (state * 1_664_525 + 1_013_904_223) >>> 0) >>> 24);
}
const next = bytes(7);
const CODES = Array.from({ length: 10_000 }, () => shortCode(next(64)));
const isTaken = (typed: string) => "code" in readShortCode(typed);

test("no single slip in any of 10,000 codes is taken: a wrong letter, two neighbours swapped, two alike become others", () => {
  expect(new Set(CODES.map((code) => code.length))).toEqual(new Set([7]));
  let tried = 0;
  const missed: string[] = [];
  const attempt = (code: string, typed: string) => {
    if (typed === code) return;
    tried++;
    if (isTaken(typed)) missed.push(`${code} as ${typed}`);
  };
  for (const code of CODES)
    for (let i = 0; i < code.length; i++) {
      for (const letter of LETTERS) {
        attempt(code, code.slice(0, i) + letter + code.slice(i + 1));
        if (code[i] === code[i + 1]) attempt(code, code.slice(0, i) + letter + letter + code.slice(i + 2));
      }
      attempt(code, code.slice(0, i) + (code[i + 1] ?? "") + code[i] + code.slice(i + 2));
      attempt(
        code,
        code.slice(0, i) + (code[i + 2] ?? "") + (code[i + 1] ?? "") + code[i] + code.slice(i + 3),
      );
    }
  expect(tried).toBeGreaterThan(1_800_000);
  expect(missed).toEqual([]);
});

test("a code is the same however it is written, and typed with the letters of another alphabet that look like ours", () => {
  const code = CODES.find((one) => /c/.test(one) && /x/.test(one) && /h/.test(one))!;
  const cyrillic = code.replaceAll("c", "с").replaceAll("x", "Х").replaceAll("h", "н").replaceAll("p", "р");
  for (const typed of [code.toUpperCase(), saidInGroups(code), ` ${code.slice(0, 3)}–${code.slice(3)}\n`, cyrillic])
    expect(readShortCode(typed), typed).toEqual({ code });
  const full = [...code].map((letter) => String.fromCharCode(letter.charCodeAt(0) + 0xfee0)).join("");
  expect(readShortCode(full)).toEqual({ code });
}); // prettier-ignore

test("what cannot be a code says why", () => {
  const code = CODES[0]!;
  expect(readShortCode("")).toEqual({ wrong: "length", count: 0 });
  expect(readShortCode(code.slice(1))).toEqual({ wrong: "length", count: 6 });
  expect(readShortCode(`o${code.slice(1)}`)).toEqual({ wrong: "letter", letter: "o" });
  expect(readShortCode(`${code[1]}${code.slice(1)}`)).toEqual(
    code[0] === code[1] ? { code } : { wrong: "slip" },
  );
  expect(readShortCode("沼".repeat(10_000))).toEqual({ wrong: "letter", letter: "沼" });
});
