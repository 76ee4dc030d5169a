import { expect, test } from "vitest";
import { asWishes, noticeLetter, type NoticeTold } from "./notices";

test("what somebody has not said is as it was at first, and what nobody can mean is not taken", () => {
  const first = {
    mention: "at-once",
    answer: "daily",
    asked: "at-once",
    suggested: "daily",
    returned: "never",
    hidden: "at-once",
    helped: "never",
  };
  expect(asWishes(null)).toEqual(first);
  expect(asWishes({ answer: "never", mention: "hourly", other: "daily" })).toEqual({
    ...first,
    answer: "never",
  });
});

const one: NoticeTold = {
  ...{ kind: "mention", by: "Ada Fen", words: "@Tjark, look\nhere", title: "Cores", about: "Core 4" },
  link: "https://hobbin.example/bench/1",
};

test("one thing is the subject itself, several are counted; the words of others stay words", () => {
  const letter = noticeLetter([one], "https://hobbin.example/account#mail");
  expect(letter.subject).toBe("Ada Fen means you in “Cores”");
  expect(letter.text).toBe(
    "Ada Fen means you in “Cores”, at “Core 4”:\n> @Tjark, look\n> here\nhttps://hobbin.example/bench/1\n\n" +
      "What you hear by mail, and when: https://hobbin.example/account#mail\n",
  );
  const many = noticeLetter(Array(60).fill({ ...one, kind: "answer", about: "" }), "x");
  expect(many.subject).toBe("60 things are addressed to you");
  expect(many.text).toContain("And 10 more.");
  expect(noticeLetter([{ ...one, by: "Ada\r\nBcc: all@fen.example" }], "x").subject).not.toContain("\n");
  const subjects = [
    { ...one, kind: "asked", day: "2026-12-03" },
    { ...one, kind: "asked" },
    { ...one, kind: "suggested", by: null, many: 1 },
    { ...one, kind: "suggested", by: null, many: 4 },
    { ...one, kind: "returned", by: null, many: 2 },
  ].map((it) => noticeLetter([it as NoticeTold], "x").subject);
  expect(subjects).toEqual([
    "Ada Fen asks you to see to this by 3 December 2026, in “Cores”",
    "Ada Fen asks you to see to this, in “Cores”",
    "1 suggestion waits for “Cores”",
    "4 suggestions wait for “Cores”",
    "2 have handed in “Cores”",
  ]);
  expect(noticeLetter([{ ...one, words: "x".repeat(5_000) }], "x").text.length).toBeLessThan(500);
});
