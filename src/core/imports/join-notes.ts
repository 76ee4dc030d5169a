/**
 * Two notes on the same thing as one, the newer below the older; what stands in the other word for word already is not
 * said twice. Nothing anybody wrote is lost.
 * @param older what stands there
 * @param newer what comes to it
 */
export function joinNotes(older = "", newer = ""): string {
  const [first, second] = [older.trim(), newer.trim()];
  if (!second || first.includes(second)) return older;
  if (!first) return newer;
  return `${first}\n\n${second}`;
}
