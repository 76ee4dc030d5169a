import fc from "fast-check";
import { expect, test } from "vitest";
import { mergeWords } from "@/core/merge/merge-text";
import { Writing } from "./writing";

type Sent = { text: string; base: string[]; answer: (ok: boolean) => Promise<void> };

/** A text whose saves end when the test says so. */
function write(shown: string) {
  const writing = new Writing();
  const sent: Sent[] = [];
  writing.begin(shown);
  const save = (text: string) =>
    void writing
      .save(
        text,
        (text, base) =>
          new Promise((resolve, reject) =>
            sent.push({
              text,
              base,
              answer: async (ok) => {
                if (ok) resolve(null);
                else reject(new Error("refused"));
                await new Promise((done) => setTimeout(done));
              },
            }),
          ),
      )
      .catch(() => undefined);
  return { writing, sent, save };
}

test("a save begins from what was shown, the next from what was saved", async () => {
  const { sent, save } = write("Read");
  save("Read it");
  await sent[0]!.answer(true);
  save("Read it twice");
  expect(sent.map(({ base }) => base)).toEqual([["Read"], ["Read it"]]);
});

test("while it is not known what has arrived, everything is named that may stand there", async () => {
  const { sent, save, writing } = write("a");
  for (const text of ["b", "c", "d", "e", "f", "g", "h"]) save(text);
  expect(sent.at(-1)!.base).toEqual(["g", "f", "e", "d", "a"]);
  writing.begin("what others see");
  await sent.at(-1)!.answer(true);
  save("i");
  expect(sent.at(-1)!.base).toEqual(["h"]);
});

test("what was refused is no base, and what was shown to be there is", async () => {
  const { sent, save, writing } = write("a");
  save("b");
  await sent[0]!.answer(false);
  save("c");
  expect(sent[1]!.base).toEqual(["a"]);
  await sent[1]!.answer(false);
  writing.seen("theirs");
  save("mine");
  expect(sent[2]!.base).toEqual(["theirs"]);
});

/** Whether a word stands in one of the places a person writes in. */
const isOf = (who: number, word: string) => (who ? /^(six|eight)/ : /^(two|four)/).test(word);

test("whatever arrives or is lost on the way, two who write into different places lose nothing they saved", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          who: fc.constantFrom(0, 1),
          later: fc.boolean(),
          arrives: fc.boolean(),
          told: fc.boolean(),
        }),
        { maxLength: 12 },
      ),
      async (steps) => {
        let stands = "one two three four five six seven eight nine";
        const people = [write(stands), write(stands)];
        const mine = [stands, stands];
        const kept = [new Set<string>(), new Set<string>()];
        for (const [i, { who, later, arrives, told }] of steps.entries()) {
          const { sent, save } = people[who]!;
          const place = (who ? ["six", "eight"] : ["two", "four"])[later ? 1 : 0]!;
          const word = `${place}-${i}`;
          mine[who] = mine[who]!.replace(new RegExp(`${place}\\S*`), word);
          save(mine[who]!);
          const { text, base, answer } = sent.at(-1)!;
          if (arrives) {
            const from = base.find((one) => one === stands) ?? base.at(-1)!;
            const merged = mergeWords(from, stands, text);
            if (merged === null) {
              await answer(false);
              continue;
            }
            stands = merged;
            kept[who] = new Set(text.split(" ").filter((one) => one.includes("-") && isOf(who, one)));
          }
          // An answer that is lost is neither yes nor no.
          if (arrives && told) await answer(true);
        }
        for (const words of kept) for (const word of words) expect(stands.split(" ")).toContain(word);
      },
    ),
    { numRuns: 200 },
  );
});
