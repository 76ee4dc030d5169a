/** What is wrong with a style, and in which line of its file; null: in no single one. */
export type StyleProblem = { line: number | null; words: string };

/** More are not said: the first ones are mended first. */
const MOST = 5;

/**
 * What a validator of RELAX NG (rnv) says, as problems: “/style.csl:12:3: error: element …”.
 * @param said its output
 */
export function readStyleProblems(said: string): StyleProblem[] {
  const problems: StyleProblem[] = [];
  for (const line of said.split("\n")) {
    const found = /^\/style\.csl:(\d+):\d+: (?:error: )?(.+)$/.exec(line);
    if (found) problems.push({ line: Number(found[1]), words: inWords(found[2]!) });
    else if (/^error: (?!some documents)/.test(line)) problems.push({ line: null, words: line.trim() });
    if (problems.length === MOST) break;
  }
  return problems;
}

/** Names come with their namespaces before a “^”, which say nothing to whoever wrote the file. */
function inWords(said: string): string {
  const words = said.trim().replace(/(?:https?:\/\/\S*)?\^([\w-]+)/g, "“$1”");
  return /[.!?]$/.test(words) ? words : `${words}.`;
}
