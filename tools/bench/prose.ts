const WORDS =
  "moss peat water dam board hollow snipe core depth year ditch lawn level store slowly under before".split(
    " ",
  );
/** Text of so many characters, the same each time. */
export function proseOf(length: number): string[] {
  let state = 7;
  const draw = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const paragraphs: string[] = [];
  for (let had = 0; had < length; had += paragraphs.at(-1)!.length) {
    const words = Array.from({ length: 90 }, () => WORDS[Math.floor(draw() * WORDS.length)]);
    paragraphs.push(`Entry ${paragraphs.length}: ${words.join(" ")}.`);
  }
  return paragraphs;
}
