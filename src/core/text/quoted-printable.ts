/**
 * The text of what is still written as mail carries it (quoted-printable, RFC 2045 §6.7): lines that end with `=` go on, and
 * `=C3=BC` are bytes of UTF-8. What has no line that goes on, or letters beyond ASCII, is not written that way: `?a=3D` may be
 * what somebody means.
 * @param text with `\n` at the ends of its lines
 */
export function fromQuotedPrintable(text: string): string {
  if (!/=\n(?=\S)/.test(text)) return text;
  const joined = text.replace(/=\n(?=\S)/g, "");
  if (/[^\x00-\x7f]/.test(joined)) return joined;
  return joined.replace(/(?:=[\dA-F]{2})+/g, (run) => {
    const bytes = Uint8Array.from(run.slice(1).split("="), (pair) => parseInt(pair, 16));
    try {
      return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
    } catch {
      return run;
    }
  });
}
