/** An outcome as it is pasted: its code, its words, and how deep it stands. */
export type Line = { code: string; title: string; depth: number };

/** So many are read from one paste, and so deep. */
const MOST_AT_ONCE = 500;
const DEEPEST = 6;

/** A code that leads a line: `1`, `2.3`, `LO4`, `Q1.2b`; four digits are a year. */
const CODE = /^([A-Za-z]{0,4}\d{1,3}(?:\.\d{1,3})*[a-z]?)(?:[.):]|\s+[-–:])?\s+(?=\S)/;
/** Any other code, in brackets: `[SC.9-b]`. */
const BRACKETED = /^\[([^\][\s]{1,20})\]\s+(?=\S)/;
const BULLET = /^[-*•–](?:\s+|$)/;

const widthOf = (blanks: string) => [...blanks].reduce((sum, one) => sum + (one === "\t" ? 4 : 1), 0);

/**
 * Reads learning outcomes or questions, one a line. How deep each stands is said by blanks before it or, where no line has any,
 * by the points in its code: `1.2` stands in `1`. Bullets are left out; a code is what a line begins with, in brackets when it looks like
 * none.
 * @param text as it was pasted
 * @returns them in their order, none deeper than one step below the one before; no more than `MOST_AT_ONCE`
 * @example
 * readOutcomes("1 Say what peat is\n1.1 Name what it is made of");
 * // [{ code: "1", title: "Say what peat is", depth: 0 }, { code: "1.1", title: "Name what it is made of", depth: 1 }]
 */
export function readOutcomes(text: string): Line[] {
  const lines = text
    .split(/\r?\n/, 4 * MOST_AT_ONCE)
    .filter((line) => line.trim())
    .slice(0, MOST_AT_ONCE)
    .map((line) => {
      const blanks = /^[\t ]*/.exec(line)![0];
      const words = line.trim().slice(0, 600).replace(BULLET, "");
      const code = CODE.exec(words) ?? BRACKETED.exec(words);
      return {
        width: widthOf(blanks),
        code: code ? code[1]!.slice(0, 20) : "",
        title: (code ? words.slice(code[0].length) : words).trim().slice(0, 500),
      };
    });
  const isIndented = lines.some(({ width }) => width > 0);
  /** The widths above the line that is read, the outermost first. */
  const above: number[] = [];
  let last = -1;
  return lines.map(({ width, code, title }) => {
    let depth: number;
    if (isIndented) {
      while (above.length && above.at(-1)! >= width) above.pop();
      depth = above.push(width) - 1;
    } else depth = code.split(".").length - 1;
    depth = Math.min(depth, last + 1, DEEPEST - 1);
    last = depth;
    return { code, title, depth };
  });
}

/** A line as it is read again: its code in brackets where it would not be taken for one. */
export function writeOutcome({ code, title, depth }: Line): string {
  const words =
    CODE.exec(`${code} x`)?.[1] === code ? `${code} ${title}` : code ? `[${code}] ${title}` : title;
  return "  ".repeat(depth) + words;
}
