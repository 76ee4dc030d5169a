import { execFileSync } from "node:child_process";
import { dictionary } from "cmu-pronouncing-dictionary";
import { expect, test } from "vitest";
import { hardnessOf } from "@/core/text/levels";
import { syllablesIn } from "@/core/text/syllables";
import { TEXTS } from "./marks/texts";

/** How often each word of some texts stands there, as far as the dictionary knows it. */
function wordsOf(texts: readonly string[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const text of texts)
    for (const [word] of text.toLowerCase().matchAll(/[a-z]{2,}/g))
      if (Object.hasOwn(dictionary, word)) found.set(word, (found.get(word) ?? 0) + 1);
  return found;
}

// The CMU Pronouncing Dictionary: a vowel has a number behind it, which says how it is stressed.
const said = (word: string): number => dictionary[word]!.match(/\d/g)?.length ?? 0;

test("syllables of running English text as the CMU Pronouncing Dictionary has them, within three in a hundred", () => {
  const words = wordsOf([TEXTS.en!, STATION, LICENCE]);
  expect(words.size).toBeGreaterThan(200);
  let [all, off, ours, theirs] = [0, 0, 0, 0];
  for (const [word, count] of words) {
    all += count;
    if (syllablesIn(word, "en") !== said(word)) off += count;
    ours += count * syllablesIn(word, "en");
    theirs += count * said(word);
  }
  expect(off / all).toBeLessThan(0.03);
  expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.02);
});

test("syllables of the dictionary's own words, names and all: nine of ten right", () => {
  const words = Object.keys(dictionary).filter((word, i) => i % 10 === 0 && /^[a-z]{3,}$/.test(word));
  const right = words.filter((word) => syllablesIn(word, "en") === said(word));
  expect(right.length / words.length).toBeGreaterThan(0.9);
});

/** Without a colon, behind which the program leaves out what follows. */
const STATION = `The bog lies behind the station. In a dry summer its water table falls by forty centimetres, and the dams that the wardens built in autumn hold back what little runs off. Visitors see pools, cotton grass and a wide sky; they do not see the peat below them, which grows by a millimetre each year.

Sphagnum moss has no roots. It takes everything it needs from rain, and it makes the water around it sour. Few other plants can live there. When a moss dies, it does not rot, because there is no oxygen in the wet ground. Its leaves are pressed together and become peat. Is this not a library? We think it is!`;

const LICENCE = `Everybody who enters the reserve agrees to follow the directions of the wardens. Photographs may be published without further permission, provided that the name of the reserve is mentioned. Scientific equipment is to be registered at the station before it is installed, and removed within a month after the investigation has ended. The society accepts no responsibility for property that is lost, and none for injuries suffered away from the marked paths. Dogs, bicycles and remotely operated aircraft are prohibited throughout the year. Applications for exemptions are considered twice annually, in February and in September.`;

// GNU diction's `style` (M. Haardt), Debian's package. It counts no vowel at the end of a word (table, into, forty are one
// syllable each to it), so that where many such words stand it takes a text to be easier: only texts in which the dictionary
// above bears it out are compared.
test("reading ease and grade as style has them, within 1.5 and 0.5", () => {
  const program = execFileSync("style", ["-L", "en"], { input: STATION, encoding: "utf8" });
  const of = (name: RegExp) => Number(name.exec(program)![1]);
  const [ease, grade] = hardnessOf(STATION, "en")!.levels;
  expect(Math.abs(ease!.value - of(/Flesch Index: ([\d.]+)/))).toBeLessThan(1.5);
  expect(Math.abs(grade!.value - of(/Kincaid: ([\d.]+)/))).toBeLessThan(0.5);
});
