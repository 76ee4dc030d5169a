/**
 * A file's name as it may be kept and given out: without folders, control characters and signs some systems refuse.
 * @param given as the browser or the message said it
 * @param otherwise the name when nothing is left of it
 */
export function fileName(given: string, otherwise = "file"): string {
  const name = given
    .normalize("NFC")
    .split(/[\\/]/)
    .at(-1)!
    .replace(/[:*?"<>|\p{Cc}\p{Cf}]+/gu, " ")
    .replace(/\s+/g, " ")
    .replace(/^[\s.]+|[\s.]+$/g, "");
  if (name.length <= 120) return name || otherwise;
  const ending = /\.[A-Za-z0-9]{1,8}$/.exec(name)?.[0] ?? "";
  return name.slice(0, 120 - ending.length).trimEnd() + ending;
}

/**
 * A title for a file: its name without the ending, marks of joining as blanks.
 * @param name the name of a file, with or without an ending and a path
 */
export const titleOfFile = (name: string): string =>
  name
    .replace(/\.[A-Za-z0-9]{1,8}$/, "")
    .replace(/[_+]+/g, " ")
    .trim() || name;
