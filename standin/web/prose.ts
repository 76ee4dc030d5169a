/** Plain sentences about a bog, from which pages of any length are put together, always the same ones. */
const SENTENCES = [
  "A raised bog is fed by rain and by nothing else.",
  "The surface is alive and the rest is what the surface used to be.",
  "When the water table falls by a hand's breadth, air gets in and the store begins to rot.",
  "Readings are taken from the rim of the tube, not from the ground, because the ground moves.",
  "A drain one spade wide can dry a strip as broad as a football pitch.",
  "The moss holds twenty times its own weight in water and gives it up slowly.",
  "In a dry summer the wells drop fastest at the edge, where the old cuttings are.",
  "Nobody has to be an expert to notice that a pool has gone.",
  "The dam boards are oak, because larch gave out after nine years.",
  "What looks flat on the map is a pattern of hummocks, lawns and hollows.",
  "Cotton-grass is the first to come back and the first to be noticed.",
  "Each layer is a summer, though not each summer left a layer.",
  "The numbers matter less than writing them down on the same day each week.",
  "A class of thirty leaves fewer marks than one lost sheep, if it stays on the boards.",
  "Methane rises for some years after the water comes back, and then it falls.",
  "The oldest peat at the station was moss when the last ice was still in the valley.",
  "Birds come for the insects, insects for the pools, and the pools for the dams.",
  "There is no hurry; the bog has none either.",
  "If the string comes up wet to the second knot, the water stands at forty centimetres.",
  "Fire travels sideways under the surface, and smoke comes up where nobody looks.",
];

/** Paragraphs of about so many minutes' reading; the same seed gives the same text. */
export function prose(seed: string, minutes: number): string[] {
  let state = [...seed].reduce((sum, char) => (sum * 31 + char.codePointAt(0)!) >>> 0, 7);
  const next = () => (state = (state * 1_664_525 + 1_013_904_223) >>> 0) / 2 ** 32;
  const paragraphs: string[] = [];
  for (let words = 0; words < minutes * 238;) {
    const sentences = Array.from(
      { length: 4 + Math.floor(next() * 3) },
      () => SENTENCES[Math.floor(next() * SENTENCES.length)]!,
    );
    const paragraph = sentences.join(" ");
    words += paragraph.split(" ").length;
    paragraphs.push(paragraph);
  }
  return paragraphs;
}
