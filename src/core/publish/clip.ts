/** From which second to which a film or a sound is meant; null: from its beginning, to its end. */
export type Clip = { clipFrom: number | null; clipTo: number | null };

/** So long nothing is that anybody is asked to look at: a hundred hours, in seconds. */
export const LONGEST = 360_000;

/**
 * A time somebody typed, in whole seconds: 95, 1:35, 1:02:03, as the normal play time of Media Fragments URI 1.0, 4.2.1 has
 * it (https://www.w3.org/TR/media-frags/), without fractions.
 * @returns null when it is empty; undefined when it cannot be read
 */
export function readClipTime(typed: string): number | null | undefined {
  const text = typed.trim();
  if (!text) return null;
  const [, hours, minutes, seconds] = /^(?:(?:(\d{1,2}):)?([0-5]?\d):)?(\d{1,6})$/.exec(text) ?? [];
  if (seconds === undefined || (minutes !== undefined && (seconds.length !== 2 || Number(seconds) > 59)))
    return undefined;
  const all = Number(hours ?? 0) * 3_600 + Number(minutes ?? 0) * 60 + Number(seconds);
  return all <= LONGEST ? all : undefined;
}

/** A time as people write it: 1:35, 1:02:03. */
export function sayClipTime(seconds: number): string {
  const two = (n: number) => String(n).padStart(2, "0");
  const [hours, minutes] = [Math.floor(seconds / 3_600), Math.floor(seconds / 60) % 60];
  return hours ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`;
}

/** “1:35 to 2:10”, “from 1:35”, “up to 2:10”; null: all of it. */
export function sayClip({ clipFrom, clipTo }: Clip): string | null {
  if (clipTo === null) return clipFrom ? `from ${sayClipTime(clipFrom)}` : null;
  return clipFrom ? `${sayClipTime(clipFrom)} to ${sayClipTime(clipTo)}` : `up to ${sayClipTime(clipTo)}`;
}

/** The fragment by which browsers play it (Media Fragments URI 1.0, 4.2.1); empty: all of it. */
export const clipFragment = ({ clipFrom, clipTo }: Clip): string =>
  clipTo !== null ? `#t=${clipFrom ?? 0},${clipTo}` : clipFrom ? `#t=${clipFrom}` : "";

/**
 * How many minutes of something are meant.
 * @param whole how long all of it is, in minutes and, where that is known, seconds
 */
export function minutesOfClip(
  { clipFrom, clipTo }: Clip,
  { minutes, seconds }: { minutes: number | null; seconds: number | null },
): number | null {
  const end = clipTo ?? (clipFrom === null ? null : seconds);
  return end === null ? minutes : Math.max(1, Math.round((end - (clipFrom ?? 0)) / 60));
}
