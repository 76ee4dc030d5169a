/** Words that are said or heard between two moments, in milliseconds. */
export type Cue = { from: number; to: number; text: string };
export type Captions = { ok: true; cues: Cue[] } | { ok: false; line: number; problem: CaptionProblem };
export type CaptionProblem = "no-captions" | "time-not-readable" | "ends-before" | "too-many";

const MOST = 20_000;
/** `00:01:02.345`, without hours too (WebVTT, 4.1); SubRip has a comma before the milliseconds. */
const TIME = String.raw`(?:(\d{2,4}):)?([0-5]\d):([0-5]\d)[.,](\d{3})`;
const TIMING = new RegExp(`^${TIME}[ \\t]+-->[ \\t]+${TIME}(?:[ \\t].*)?$`);
/** What of the marks within cues stays: who speaks, and how (WebVTT, 4.2.2). */
const MARK = /<(?!\/?(?:b|i|u|v|c|lang|ruby|rt)(?:[ \t.][^<>\n]*)?>)[^<>\n]*>/g;

/**
 * Reads captions as WebVTT (https://www.w3.org/TR/webvtt1/) or SubRip has them; of the first without its styles, regions and
 * notes, and of both without where on the picture they stand.
 * @param text a file of captions
 * @returns the cues in their order; or the first line, counted from one, that cannot be taken
 */
export function readCaptions(text: string): Captions {
  const lines = text.replace(/^\uFEFF/, "").split(/\r\n|\r|\n/);
  const wrong = (line: number, problem: CaptionProblem): Captions => ({ ok: false, line: line + 1, problem });
  const cues: Cue[] = [];
  let at = 0;
  if (/^WEBVTT(?:[ \t].*)?$/.test(lines[0]!)) while (at < lines.length && lines[at]!.trim()) at++;
  while (at < lines.length) {
    if (!lines[at]!.trim()) {
      at++;
      continue;
    }
    let end = at;
    while (end < lines.length && lines[end]!.trim()) end++;
    const block = lines.slice(at, end);
    const timing = block.findIndex((line) => line.includes("-->"));
    if (timing === 0 || timing === 1) {
      const found = TIMING.exec(block[timing]!.trim());
      if (!found) return wrong(at + timing, "time-not-readable");
      const [from, to] = [timeOf(found.slice(1, 5)), timeOf(found.slice(5, 9))];
      if (to <= from) return wrong(at + timing, "ends-before");
      const words = block
        .slice(timing + 1)
        .join("\n")
        .replace(MARK, "");
      if (words.trim()) cues.push({ from, to, text: words });
      if (cues.length > MOST) return wrong(at, "too-many");
    } else if (!/^(NOTE|STYLE|REGION)\b/.test(block[0]!)) return wrong(at, "no-captions");
    at = end;
  }
  return cues.length ? { ok: true, cues } : wrong(0, "no-captions");
}

const timeOf = ([hours = "0", minutes, seconds, rest]: readonly string[]): number =>
  ((Number(hours) * 60 + Number(minutes)) * 60 + Number(seconds)) * 1_000 + Number(rest);

/** A file of captions as WebVTT has it; what is in a cue stays in it. */
export function writeVtt(cues: readonly Cue[]): string {
  const two = (n: number, digits = 2) => String(n).padStart(digits, "0");
  const time = (ms: number) =>
    `${two(Math.floor(ms / 3_600_000))}:${two(Math.floor(ms / 60_000) % 60)}:${two(Math.floor(ms / 1_000) % 60)}.${two(ms % 1_000, 3)}`;
  return `WEBVTT\n\n${cues
    .map(({ from, to, text }) => `${time(from)} --> ${time(to)}\n${text.replaceAll("-->", "→")}\n`)
    .join("\n")}`;
}
